/** Seeded randomness: the same seed gives the same sequence on every machine. Core never calls Math.random. */
export interface Random {
  /** A number in [0, 1). */
  next(): number;
  /** An integer from `low` to `high`, both included. */
  int(low: number, high: number): number;
  pick<T>(items: readonly T[]): T;
  chance(probability: number): boolean;
}

/** A 32-bit hash of a string (FNV-1a), for turning an address or a name into a seed. */
export function hash32(text: string): number {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at += 1) {
    hash ^= text.charCodeAt(at);
    hash = Math.imul(hash, 0x01000193);
  }
  return hash >>> 0;
}

/** The generator known as mulberry32, public domain. */
export function seeded(seed: number | string): Random {
  let state = typeof seed === 'string' ? hash32(seed) : seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  return {
    next,
    int: (low, high) => low + Math.floor(next() * (high - low + 1)),
    pick: (items) => items[Math.floor(next() * items.length)]!,
    chance: (probability) => next() < probability,
  };
}
