/** The second entry of this feature, for those who set passwords: what may be one. It holds the words that are guessed first, which no page needs. */
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';

/** Made when the first password is set: its lists take a moment. */
let grader: ZxcvbnFactory | undefined;

/** In characters, as they are counted by people (ASVS 5.0, 6.2.1 and 6.2.9). */
export const PASSWORD_LENGTH = { least: 10, most: 200 };
/** As zxcvbn grades them, 0 to 4: safe from somebody who has the hashes and some time. */
const LEAST_GRADE = 3;
/** Only the beginning is graded: what follows makes it no easier. */
const GRADED = 100;

/**
 * What is wrong with a new password; null when nothing is. Any character may stand in it, and none must.
 * @param about words that somebody would try first with this person: names, email, brokerage
 */
export function passwordProblem(password: string, about: readonly string[] = []): string | null {
  const length = [...password].length;
  if (length < PASSWORD_LENGTH.least) return `Use at least ${PASSWORD_LENGTH.least} characters`;
  if (length > PASSWORD_LENGTH.most) return `Use at most ${PASSWORD_LENGTH.most} characters`;
  const words = about.flatMap((one) => [one, ...one.split(/[\s@.]+/)]).filter((one) => one.length > 2);
  grader ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  const { score } = grader.check([...password].slice(0, GRADED).join(''), words);
  return score < LEAST_GRADE ? 'That’s one of the first passwords people try. Use a few words that don’t belong together' : null;
}
