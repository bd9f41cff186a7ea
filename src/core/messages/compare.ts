/**
 * What may be said of rates that were counted: an interval in which the true rate lies (Wilson, 95 %), and whether two rates differ by
 * more than chance. A comparison is looked at again and again while it runs, so it asks for more than a single look would: the
 * difference must pass a two-sided test at 1 % shared among all pairs (Bonferroni), with enough sent on each side.
 */

export interface Rate {
  n: number;
  of: number;
}
const Z95 = 1.959964;

/** From 0 to 1; the whole range while nothing was counted. */
export function interval({ n, of }: Rate): { low: number; high: number } {
  if (of <= 0) return { low: 0, high: 1 };
  const p = n / of;
  const z2 = Z95 * Z95;
  const middle = (p + z2 / (2 * of)) / (1 + z2 / of);
  const half = (Z95 / (1 + z2 / of)) * Math.sqrt((p * (1 - p)) / of + z2 / (4 * of * of));
  return { low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/** The chance of so large a difference when the two are the same (two-sided, normal approximation with pooled variance). */
export function chanceOf(a: Rate, b: Rate): number {
  if (!a.of || !b.of) return 1;
  const pooled = (a.n + b.n) / (a.of + b.of);
  const spread = Math.sqrt(pooled * (1 - pooled) * (1 / a.of + 1 / b.of));
  if (spread === 0) return 1;
  const z = Math.abs(a.n / a.of - b.n / b.of) / spread;
  return 2 * (1 - normal(z));
}
/** Abramowitz and Stegun 26.2.17. */
function normal(z: number): number {
  const t = 1 / (1 + 0.2316419 * z);
  const d = Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI);
  return 1 - d * t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
}

/** Fewer than this on a side say nothing. */
const FEWEST = 60;
const LEVEL = 0.01;

/** What an A/B test says: a winner with its chance, or why there is none yet. */
export type ComparisonResult = { winner: string; chance: number } | { winner: null; because: 'too_few' | 'chance' };

/** Which of several is the best, if one is: better than each other by more than chance. @param rates by id */
export function winnerOf(rates: ReadonlyMap<string, Rate>): ComparisonResult {
  const all = [...rates];
  if (all.length < 2 || all.some(([, { of }]) => of < FEWEST)) return { winner: null, because: 'too_few' };
  const [best, ...others] = all.sort(([, a], [, b]) => b.n / b.of - a.n / a.of);
  const level = LEVEL / ((all.length * (all.length - 1)) / 2);
  const chance = Math.max(...others.map(([, rate]) => chanceOf(best![1], rate)));
  return chance < level ? { winner: best![0], chance } : { winner: null, because: 'chance' };
}
