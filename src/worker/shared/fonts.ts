/**
 * The fonts of papers. They ship as WOFF, each table packed on its own; whoever draws a page would unpack and read them anew for each page,
 * which takes most of its time. So they are unpacked and read once in each process.
 */
import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { inflateSync } from 'node:zlib';
import { create } from 'fontkit';

/** Fonts ship as a package; processes run in the root of the project, as every script of ours starts them. */
const fromRoot = createRequire(join(process.cwd(), 'package.json'));
const known = new Map<number, Font>();

/** A font that was read, as pdfkit takes it; what pdfkit's own types call a file's content. */
export type Font = Buffer;

/** Figtree of a weight: 400 or 600. */
export function figtree(weight: 400 | 600): Font {
  let font = known.get(weight);
  if (!font) {
    font = create(unpacked(packed(weight))) as unknown as Font;
    known.set(weight, font);
  }
  return font;
}

/** The file as it ships. */
export const packed = (weight: 400 | 600): Buffer =>
  readFileSync(fromRoot.resolve(`@fontsource/figtree/files/figtree-latin-${weight}-normal.woff`));

const SIGNATURE = 0x774f4646;
const HEAD = 44;
const ENTRY = 20;
const SFNT_HEAD = 12;
const SFNT_ENTRY = 16;

/**
 * A font file as it was before it was packed as WOFF (W3C, WOFF File Format 1.0, sections 4 and 5; OpenType, Organization of an OpenType Font).
 * @throws Error for what is no WOFF
 */
export function unpacked(woff: Buffer): Buffer {
  if (woff.length < HEAD || woff.readUInt32BE(0) !== SIGNATURE) throw new Error('this is no font packed as WOFF');
  const count = woff.readUInt16BE(12);
  const font = Buffer.alloc(woff.readUInt32BE(16));
  const power = Math.floor(Math.log2(count));
  font.writeUInt32BE(woff.readUInt32BE(4), 0);
  font.writeUInt16BE(count, 4);
  font.writeUInt16BE(16 * 2 ** power, 6);
  font.writeUInt16BE(power, 8);
  font.writeUInt16BE(16 * (count - 2 ** power), 10);
  let offset = SFNT_HEAD + SFNT_ENTRY * count;
  for (let n = 0; n < count; n += 1) {
    const [tag, at, packed, length, checksum] = [0, 4, 8, 12, 16].map((place) => woff.readUInt32BE(HEAD + ENTRY * n + place)) as [
      number,
      number,
      number,
      number,
      number,
    ];
    const table = woff.subarray(at, at + packed);
    (packed < length ? inflateSync(table) : table).copy(font, offset);
    [tag, checksum, offset, length].forEach((value, place) => font.writeUInt32BE(value, SFNT_HEAD + SFNT_ENTRY * n + 4 * place));
    offset += (length + 3) & ~3;
  }
  return font;
}
