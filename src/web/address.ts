/** Addresses that no page and no call of the API can have: said so at once, before anything reads them. */

/** Longer than any address of ours with all that may stand in it. */
const LONGEST = 16_000;

/** Whether an address cannot be read: broken escapes, or the null character. */
export function isBrokenAddress(url: string): boolean {
  if (url.length > LONGEST) return true;
  const at = url.indexOf('?');
  const [path, query] = at < 0 ? [url, ''] : [url.slice(0, at), url.slice(at + 1)];
  try {
    return decodeURIComponent(path).includes('\0') || /%00/.test(query);
  } catch {
    return true;
  }
}
