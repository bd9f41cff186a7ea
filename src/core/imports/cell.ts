/** One cell of a table as text: what a spreadsheet or an export tool put around the value is taken off, nothing else. */

/** Words by which people say that there is nothing. */
const BLANKS = new Set([
  '-',
  '--',
  '–',
  '—',
  'n/a',
  'na',
  'n.a.',
  'none',
  'null',
  'nil',
  'unknown',
  '?',
  '#n/a',
  'unlisted',
  'nothing',
  '.',
  'nan',
]);

export const isFormula = (text: string): boolean => /^[=@]/.test(text) || /^[+-][A-Za-z(]/.test(text);

/** Left and right blanks off; control characters stay, so that they can be doubted. */
export const trimmed = (text: string): string => text.replace(/^[\s\u00a0\u200b\ufeff]+|[\s\u00a0\u200b\ufeff]+$/g, '');

/**
 * The value of a cell that must be data, not prose: a formula that only wraps a text gives the text, a word for nothing gives nothing.
 *
 * @example dataOf('="5645550121"') // '5645550121'
 * @example dataOf('=HYPERLINK("mailto:a@b.example","write")') // 'a@b.example'
 */
export function dataOf(cell: string): string {
  const text = trimmed(cell);
  if (BLANKS.has(text.toLowerCase())) return '';
  const quoted = /^="((?:[^"]|"")*)"$/.exec(text);
  if (quoted) return trimmed(quoted[1]!.replaceAll('""', '"'));
  const link = /^=HYPERLINK\(\s*"mailto:([^"?]+)(?:\?[^"]*)?"\s*[,;)]/i.exec(text);
  if (link) return trimmed(link[1]!);
  if (/^'[=+\-@\d]/.test(text)) return text.slice(1);
  return text;
}

/** Control characters other than the line breaks and tabs that prose may have. */
export const hasControl = (text: string, prose: boolean): boolean =>
  (prose ? /[\u0001-\u0008\u000b\u000c\u000e-\u001f\u007f]/ : /[\u0001-\u001f\u007f]/).test(text);

export const withoutControl = (text: string): string => text.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/g, '');

export { folded } from '../shared';
