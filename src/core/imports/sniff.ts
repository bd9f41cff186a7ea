/** What a file is, judged by its first bytes and never by its name: table text in some encoding, cards, a workbook, or something that is refused. */
export type FileKind = 'csv' | 'vcf' | 'zip' | 'empty' | 'other';
/** How the letters of a file are written. */
export type TextEncoding = 'utf-8' | 'utf-8-bom' | 'utf-16le' | 'utf-16be' | 'windows-1252';

/** What a file is by its first bytes. */
export interface Sniffed {
  kind: FileKind;
  encoding?: TextEncoding;
  /** For `other`: what it seems to be, for people. */
  looksLike?: string;
}

const SIGNATURES: [string, string][] = [
  ['25504446', 'a PDF'],
  ['89504e47', 'a picture'],
  ['ffd8ff', 'a picture'],
  ['47494638', 'a picture'],
  ['d0cf11e0a1b11ae1', 'an old .xls workbook. Save it as .xlsx or CSV'],
  ['1f8b', 'a compressed file. Unzip it first'],
  ['526172211a07', 'a compressed file. Unzip it first'],
  ['377abcaf271c', 'a compressed file. Unzip it first'],
  ['7f454c46', 'a program'],
  ['4d5a90', 'a program'],
];

/** @param head the first bytes of the file; a megabyte is plenty. `whole` says that there are no more */
export function sniff(head: Uint8Array, whole: boolean): Sniffed {
  if (!head.length) return { kind: 'empty' };
  const hex = [...head.subarray(0, 8)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  if (hex.startsWith('504b0304') || hex.startsWith('504b0506')) return { kind: 'zip' };
  const known = SIGNATURES.find(([signature]) => hex.startsWith(signature));
  if (known) return { kind: 'other', looksLike: known[1] };
  const encoding = encodingOf(head, whole);
  const start = decoded(head.subarray(0, 4_096), encoding).replace(/^\s+/, '');
  if (!start && whole) return { kind: 'empty', encoding };
  if (/^BEGIN:VCARD/i.test(start)) return { kind: 'vcf', encoding };
  if (/^(<!doctype html|<html|<table)/i.test(start)) return { kind: 'other', looksLike: 'a web page. Save the table as CSV' };
  if (/^(<\?xml|\{\\rtf|\{\s*"|\[\s*\{)/.test(start)) return { kind: 'other', looksLike: 'neither a table nor cards' };
  const odd = (start.match(/[\u0001-\u0008\u000e-\u001f\ufffd]/g) ?? []).length;
  if (odd > 20 && odd > start.length / 20) return { kind: 'other', looksLike: 'neither text nor a workbook' };
  return { kind: 'csv', encoding };
}

/**
 * A byte order mark decides; every second byte null is UTF-16; else UTF-8, unless the bytes above 127 are none of it. One
 * byte that does not fit spoils its row, not the reading of the whole file.
 */
function encodingOf(head: Uint8Array, whole: boolean): TextEncoding {
  if (head[0] === 0xef && head[1] === 0xbb && head[2] === 0xbf) return 'utf-8-bom';
  if (head[0] === 0xff && head[1] === 0xfe) return 'utf-16le';
  if (head[0] === 0xfe && head[1] === 0xff) return 'utf-16be';
  const sample = head.subarray(0, 4_000);
  const nulls = [0, 0];
  sample.forEach((byte, at) => byte === 0 && (nulls[at % 2]! += 1));
  if (nulls[1]! > sample.length / 5 && nulls[0] === 0) return 'utf-16le';
  if (nulls[0]! > sample.length / 5 && nulls[1] === 0) return 'utf-16be';
  const { fit, misfit } = utf8Fit(head, whole);
  return misfit > 1 && misfit > fit ? 'windows-1252' : 'utf-8';
}

function utf8Fit(bytes: Uint8Array, whole: boolean): { fit: number; misfit: number } {
  let fit = 0;
  let misfit = 0;
  for (let at = 0; at < bytes.length; at += 1) {
    const byte = bytes[at]!;
    if (byte < 0x80) continue;
    const length = byte >= 0xf0 && byte < 0xf5 ? 3 : byte >= 0xe0 ? 2 : byte >= 0xc2 && byte < 0xe0 ? 1 : 0;
    const follows = bytes.subarray(at + 1, at + 1 + length);
    if (length && byte < 0xf5 && follows.length === length && follows.every((next) => next >= 0x80 && next < 0xc0)) {
      fit += 1;
      at += length;
    } else if (whole || at + 4 < bytes.length) misfit += 1;
  }
  return { fit, misfit };
}

/** The name of the encoding for TextDecoder. */
export const decoderName = (encoding: TextEncoding): string => (encoding === 'utf-8-bom' ? 'utf-8' : encoding);
export const decoded = (bytes: Uint8Array, encoding: TextEncoding): string =>
  new TextDecoder(decoderName(encoding)).decode(bytes);
