/** A text in which what was recognised is marked. */
import { marksIn } from '@/core/capture';

export function highlight(raw: string, values: string[]) {
  let end = 0;
  const parts = marksIn(
    raw,
    values.flatMap((value) => value.split(', ')),
  ).flatMap(([from, to]) => {
    const before = raw.slice(end, from);
    end = to;
    return [before, <mark key={from}>{raw.slice(from, to)}</mark>];
  });
  return [...parts, raw.slice(end)];
}
