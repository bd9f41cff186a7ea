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

/** @returns null for a text that needs the engine */
export function plainLiquid(source: string): PlainLiquid | null {
  const root: Piece[] = [];
  const open: { piece: Extract<Piece, { asks: string }>; into: Piece[] }[] = [];
  let into = root;
  let from = 0;
  for (const match of source.matchAll(TOKEN)) {
    const before = source.slice(from, match.index);
    if (OPENED.test(before)) return null;
    if (before) into.push(before);
    from = match.index + match[0].length;
    const output = match[1]?.trim();
    const tag = match[2]?.trim();
    if (output !== undefined) {
      const read = OUTPUT.exec(output);
      if (!read || RESERVED.has(read[1]!)) return null;
      into.push({
        name: read[2] ? `field.${JSON.parse(read[2]) as string}` : read[1]!,
        instead: read[3] ?? read[4] ?? null,
      });
      continue;
    }
    const asks = ASKS.exec(tag!);
    if (asks && !RESERVED.has(asks[2]!)) {
      const piece = { asks: asks[2]!, unless: asks[1] === 'unless', yes: [] as Piece[], no: [] as Piece[] };
      into.push(piece);
      open.push({ piece, into });
      into = piece.yes;
    } else if (tag === 'else' && open.length && into === open.at(-1)!.piece.yes) into = open.at(-1)!.piece.no;
    else if (open.length && tag === (open.at(-1)!.piece.unless ? 'endunless' : 'endif')) into = open.pop()!.into;
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
