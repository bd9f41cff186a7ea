/**
 * Answers that may be a moment old where reading them takes long: what a field offers, and the numbers on the Wire of the very largest accounts. What an
 * account reads at once is read every time.
 */
interface Patience {
  /** It takes long when it takes so long, and is kept for so long then; both in milliseconds. */
  long: number;
  kept: number;
}
/** What fields offer beside what can be typed. */
export const PROPOSALS: Patience = { long: 150, kept: 60_000 };
/** Counts over the whole database. */
export const LARGE_COUNTS: Patience = { long: 600, kept: 10_000 };
const known = new Map<string, { answer: unknown; until: number }>();

/** @param key names whose answer it is @param read is asked when nothing is kept @param clock in milliseconds, of this process */
export async function cacheWhenSlow<Answer>(
  key: string,
  { long, kept }: Patience,
  read: () => Promise<Answer>,
  clock = () => performance.now(),
): Promise<Answer> {
  const began = clock();
  for (const [one, { until }] of known) if (until <= began) known.delete(one);
  const there = known.get(key);
  if (there) return there.answer as Answer;
  /* What is under way is not shared: it may have begun before what this one must see. */
  const answer = await read();
  const ended = clock();
  if (ended - began >= long) known.set(key, { answer, until: ended + kept });
  return answer;
}
