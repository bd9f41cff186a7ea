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
const MOST = 500;
const known = new Map<string, { answer: Promise<unknown>; until: number }>();

/** @param key names whose answer it is @param read is asked when nothing is kept @param clock in milliseconds, of this process */
export function keptWhileSlow<Answer>(
  key: string,
  { long, kept }: Patience,
  read: () => Promise<Answer>,
  clock = () => performance.now(),
): Promise<Answer> {
  const began = clock();
  const there = known.get(key);
  if (there && there.until > began) return there.answer as Promise<Answer>;
  const answer = read();
  /* Who asks meanwhile waits for the same one. */
  known.set(key, { answer, until: Infinity });
  answer.then(
    () => {
      const took = clock() - began;
      if (took < long || known.size > MOST) known.delete(key);
      else known.set(key, { answer, until: clock() + kept });
    },
    () => known.delete(key),
  );
  return answer;
}
