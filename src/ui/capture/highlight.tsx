/** A text in which what was recognised is marked. */
export function highlight(raw: string, values: string[]) {
  const words = [...new Set(values.flatMap((value) => value.split(', ')))]
    .filter((value) => value.length > 1)
    .sort((a, b) => b.length - a.length);
  if (!words.length) return raw;
  const pattern = new RegExp(`(${words.map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')).join('|')})`, 'gi');
  return raw.split(pattern).map((part, at) => (at % 2 ? <mark key={at}>{part}</mark> : part));
}
