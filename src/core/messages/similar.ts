/** How alike two texts are: the share of runs of three words that they have in common (Jaccard), merge fields and variants counting as they are written. */

export interface Shingles {
  hashes: Set<number>;
}

const WORD = /[\p{L}\p{N}]+/gu;
export function shinglesOf(text: string): Shingles {
  const words = text.toLowerCase().match(WORD) ?? [];
  const hashes = new Set<number>();
  for (let at = 0; at + 2 < words.length || (at === 0 && words.length > 0); at += 1) {
    let value = 2166136261;
    for (let n = at; n < Math.min(at + 3, words.length); n += 1)
      for (const sign of `${words[n]!} `) value = Math.imul(value ^ sign.charCodeAt(0), 16777619);
    hashes.add(value >>> 0);
  }
  return { hashes };
}

/** @returns from 0 to 1 */
export function likeness(a: Shingles, b: Shingles): number {
  if (!a.hashes.size || !b.hashes.size) return 0;
  const [few, many] = a.hashes.size < b.hashes.size ? [a.hashes, b.hashes] : [b.hashes, a.hashes];
  let common = 0;
  for (const one of few) if (many.has(one)) common += 1;
  return common / (a.hashes.size + b.hashes.size - common);
}
