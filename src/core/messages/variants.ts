/**
 * Variants: alternative wordings inside one message, `{Hello|Good morning {again|}}`. A brace without a bar inside is a brace.
 * `{{ … }}` and `{% … %}` belong to merge fields and are left alone, so that the bar of a filter parts nothing.
 */

export interface Group {
  /** In reading order over the whole text, from 0. */
  index: number;
  options: VariantPart[][];
}
/** A part of words: text, or alternatives. */
export type VariantPart = string | Group;

/** A number from 0 up to (not including) `n`; the same seed and index always give the same. */
export type Pick = (index: number, n: number) => number;

const MOST_KEPT = 2_000;
const cache = new Map<string, VariantPart[]>();

/** The parts of a text, read once. */
export function variantsIn(text: string): VariantPart[] {
  if (!text.includes('|')) return [text];
  const known = cache.get(text);
  if (known) return known;
  const parts = new Reader(text).all();
  if (cache.size >= MOST_KEPT) cache.clear();
  cache.set(text, parts);
  return parts;
}

/** A brace with its closing one and the bars between them that are its own. */
interface Pair {
  close: number;
  bars: number[];
}
/** Deeper than this, braces are braces. */
const DEEPEST = 12;

/** In one pass, so that braces that are never closed cost nothing. Fields and conditions are stepped over. */
function pairsIn(text: string): Map<number, Pair> {
  const pairs = new Map<number, Pair>();
  const open: { at: number; bars: number[] }[] = [];
  for (let at = 0; at < text.length; at += 1) {
    const sign = text[at];
    const end = sign === '{' ? endOfTag(text, at) : at;
    if (end > at) at = end - 1;
    else if (sign === '{') open.push({ at, bars: [] });
    else if (sign === '|') open.at(-1)?.bars.push(at);
    else if (sign === '}') {
      const pair = open.pop();
      if (pair?.bars.length && open.length < DEEPEST) pairs.set(pair.at, { close: at, bars: pair.bars });
    }
  }
  return pairs;
}
/** Where a field or condition that begins here ends; the same place when none begins. */
function endOfTag(text: string, at: number): number {
  const next = text[at + 1];
  if (next !== '{' && next !== '%') return at;
  const end = text.indexOf(next === '{' ? '}}' : '%}', at + 2);
  return end < 0 ? at : end + 2;
}

class Reader {
  private readonly pairs: Map<number, Pair>;
  private groups = 0;
  constructor(private readonly text: string) {
    this.pairs = pairsIn(text);
  }

  all(from = 0, to = this.text.length): VariantPart[] {
    const parts: VariantPart[] = [];
    let begun = from;
    for (let at = from; at < to; at += 1) {
      const end = this.text[at] === '{' ? endOfTag(this.text, at) : at;
      if (end > at) {
        at = end - 1;
        continue;
      }
      const pair = this.pairs.get(at);
      if (!pair) continue;
      if (at > begun) parts.push(this.text.slice(begun, at));
      const index = this.groups;
      this.groups += 1;
      const edges = [at, ...pair.bars, pair.close];
      parts.push({ index, options: pair.bars.concat(pair.close).map((edge, n) => this.all(edges[n]! + 1, edge)) });
      at = pair.close;
      begun = at + 1;
    }
    if (begun < to) parts.push(this.text.slice(begun, to));
    return parts;
  }
}
/** The wording with one option of each group. @param picks receives `3:1` for the second option of the fourth group */
export function chooseVariant(text: string, pick: Pick, picks?: string[]): string {
  const parts = variantsIn(text);
  if (parts.length === 1 && typeof parts[0] === 'string') return parts[0];
  return written(parts, pick, picks);
}

function written(parts: VariantPart[], pick: Pick, picks?: string[]): string {
  let out = '';
  for (const part of parts) {
    if (typeof part === 'string') {
      out += part;
      continue;
    }
    const at = pick(part.index, part.options.length);
    picks?.push(`${part.index}:${at}`);
    out += written(part.options[at]!, pick, picks);
  }
  return out;
}

/** How many wordings a text has. */
export const countVariants = (text: string): number => countIn(variantsIn(text));
const countIn = (parts: VariantPart[]): number =>
  parts.reduce((n, part) => (typeof part === 'string' ? n : n * part.options.reduce((sum, one) => sum + countIn(one), 0)), 1);

/** The wordings of a text in order, up to `most`. */
export function listVariants(text: string, most: number): string[] {
  const spread = (parts: VariantPart[]): string[] => {
    let out = [''];
    for (const part of parts) {
      const ends = typeof part === 'string' ? [part] : part.options.flatMap(spread).slice(0, most);
      out = out.flatMap((begun) => ends.map((end) => begun + end)).slice(0, most);
    }
    return out;
  };
  return [...new Set(spread(variantsIn(text)))];
}

/** Signs of all wordings together that are looked at; of a long text they are fewer. */
const MOST_SIGNS = 1_000_000;
/** How many wordings of a text are looked at, `most` at the most. */
export const mostWordings = (text: string, most: number): number =>
  Math.max(1, Math.min(most, Math.floor(MOST_SIGNS / Math.max(1, text.length))));

/** Each group with its options as they are written, for those who count what each brought. */
export function groupsIn(text: string): { index: number; options: string[] }[] {
  const out: { index: number; options: string[] }[] = [];
  const walk = (parts: VariantPart[]): void => {
    for (const part of parts) {
      if (typeof part === 'string') continue;
      out.push({ index: part.index, options: part.options.map((one) => one.map(sourceOf).join('')) });
      part.options.forEach(walk);
    }
  };
  walk(variantsIn(text));
  return out;
}
const sourceOf = (part: VariantPart): string =>
  typeof part === 'string' ? part : `{${part.options.map((one) => one.map(sourceOf).join('')).join('|')}}`;

/** A pick that is always the same for a seed, such as the key of a message (FNV-1a, 32 bit, with a last mix so that near seeds part). */
export function seededPick(seed: string): Pick {
  const start = hash(2166136261, seed);
  return (index, n) => {
    let value = Math.imul(start ^ Math.imul(index + 1, 2654435761), 2246822519);
    value ^= value >>> 13;
    value = Math.imul(value, 3266489917);
    value ^= value >>> 16;
    return (value >>> 0) % n;
  };
}
const hash = (from: number, text: string): number => {
  let value = from;
  for (let at = 0; at < text.length; at += 1) value = Math.imul(value ^ text.charCodeAt(at), 16777619);
  return value;
};
export const FIRST_PICK: Pick = () => 0;
