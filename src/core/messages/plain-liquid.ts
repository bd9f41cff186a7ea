/**
 * The part of Liquid that nearly all messages keep to, read into a list that is walked without the engine: `{{ name }}`, with a
 * default at most, and `{% if name %} … {% else %} … {% endif %}`. Whatever else a text has is the engine's. A test draws texts
 * and asks both, so that the two never say different things.
 */

type Piece = string | { name: string; instead: string | null } | { asks: string; unless: boolean; yes: Piece[]; no: Piece[] };
/** Words with their merge fields, read once. */
export type PlainLiquid = readonly Piece[];

const TOKEN = /\{\{(?!-)([^{}]*)\}\}|\{%(?!-)([^{}]*?)%\}/g;
/** Where a field or condition begins that is not a plain one. */
const OPENED = /\{\{|\{%/;
const OUTPUT = /^([a-z_]+|field\[("[^"\\]*")\])(?:\s*\|\s*default:\s*(?:"([^"]*)"|'([^']*)'))?$/;
const ASKS = /^(if|unless)\s+([a-z_]+)$/;
const RESERVED = new Set(['true', 'false', 'nil', 'null', 'empty', 'blank']);

type Branching = Extract<Piece, { asks: string }>;

/** `{{ first_name | default: "there" }}`; null for what is no plain field. */
function outputOf(words: string): Piece | null {
  const read = OUTPUT.exec(words);
  if (!read || RESERVED.has(read[1]!)) return null;
  return { name: read[2] ? `field.${JSON.parse(read[2]) as string}` : read[1]!, instead: read[3] ?? read[4] ?? null };
}
/** `{% if city %}`; null for another tag. */
function conditionOf(words: string): Branching | null {
  const asks = ASKS.exec(words);
  return asks && !RESERVED.has(asks[2]!) ? { asks: asks[2]!, unless: asks[1] === 'unless', yes: [], no: [] } : null;
}

/** @returns null for a text that needs the engine */
export function plainLiquid(source: string): PlainLiquid | null {
  const root: Piece[] = [];
  const open: { piece: Branching; into: Piece[] }[] = [];
  let into = root;
  let from = 0;
  for (const match of source.matchAll(TOKEN)) {
    const before = source.slice(from, match.index);
    if (OPENED.test(before)) return null;
    if (before) into.push(before);
    from = match.index + match[0].length;
    if (match[1] !== undefined) {
      const output = outputOf(match[1].trim());
      if (!output) return null;
      into.push(output);
      continue;
    }
    const tag = match[2]!.trim();
    const begun = conditionOf(tag);
    const last = open.at(-1);
    if (begun) {
      into.push(begun);
      open.push({ piece: begun, into });
      into = begun.yes;
    } else if (!last) return null;
    else if (tag === 'else' && into === last.piece.yes) into = last.piece.no;
    else if (tag === (last.piece.unless ? 'endunless' : 'endif')) into = open.pop()!.into;
    else return null;
  }
  if (open.length || OPENED.test(source.slice(from))) return null;
  if (from < source.length) into.push(source.slice(from));
  return root;
}

/** @returns null when a field has neither a value nor a default */
export function walkPlain(
  pieces: PlainLiquid,
  valueOf: (name: string) => string | undefined,
  shown: (value: string) => string,
): string | null {
  let out = '';
  for (const piece of pieces) {
    if (typeof piece === 'string') out += piece;
    else if ('asks' in piece) {
      const way = walkPlain((valueOf(piece.asks) !== undefined) !== piece.unless ? piece.yes : piece.no, valueOf, shown);
      if (way === null) return null;
      out += way;
    } else {
      const value = valueOf(piece.name) ?? piece.instead;
      if (value === null) return null;
      out += shown(value);
    }
  }
  return out;
}
