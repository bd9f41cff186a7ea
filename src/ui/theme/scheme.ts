/** Light or dark: kept in a cookie; without one the machine's own preference. The script runs before the first paint. */
export const SCHEME_COOKIE = 'urraca_scheme';
export type Scheme = 'light' | 'dark';

export const schemeScript = `(function(){var m=document.cookie.match(/(?:^|; )${SCHEME_COOKIE}=(light|dark)/);var d=document.documentElement;d.dataset.scheme=m?m[1]:(matchMedia('(prefers-color-scheme: dark)').matches?'dark':'light');try{d.dataset.mask=localStorage.getItem('urraca_mask')==='on'?'on':'off'}catch(e){}})()`;

export function switchScheme(): void {
  const next: Scheme = document.documentElement.dataset.scheme === 'dark' ? 'light' : 'dark';
  document.documentElement.dataset.scheme = next;
  document.cookie = `${SCHEME_COOKIE}=${next}; path=/; max-age=31536000; samesite=lax`;
}

/** The privacy mask: blurs phone numbers and addresses for screen sharing. */
export function switchMask(): boolean {
  const on = document.documentElement.dataset.mask !== 'on';
  document.documentElement.dataset.mask = on ? 'on' : 'off';
  localStorage.setItem('urraca_mask', on ? 'on' : 'off');
  return on;
}
