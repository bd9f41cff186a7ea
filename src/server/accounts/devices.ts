/** A browser in words, by what it says of itself. */
import Bowser from 'bowser';

/** `Chrome on Windows`, `Safari on iPhone`; of what says nothing that is known, `an unknown browser`. */
export function deviceWords(agent: string): string {
  if (!agent) return 'an unknown browser';
  const { browser, os, platform } = Bowser.parse(agent);
  const on = platform.model && platform.vendor === 'Apple' && platform.type !== 'desktop' ? platform.model : os.name;
  return [browser.name || 'an unknown browser', on && `on ${on}`].filter(Boolean).join(' ');
}
