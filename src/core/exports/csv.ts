/** Writing CSV (RFC 4180) that no spreadsheet runs: a cell that would be a formula is made text by an apostrophe before it. */

/** A number, or phone numbers with their extensions: they begin with a sign and are no formula. */
const HARMLESS = /^\s*[+-][\d\s().-]*(?: x\d+)?(?:; \+[\d\s().-]*(?: x\d+)?)*$/;

/** What a spreadsheet would run: `=`, `+`, `-`, `@` at the beginning, also behind blanks. */
export const inert = (text: string): string =>
  /^[\s\u00a0]*[=@\t\r]/.test(text) || (/^\s*[+-]/.test(text) && !HARMLESS.test(text)) ? `'${text}` : text;

export function csvCell(value: string): string {
  const text = inert(value);
  return /[",\r\n]/.test(text) || /^\s|\s$/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
}
export const csvLine = (cells: readonly string[]): string => `${cells.map(csvCell).join(',')}\r\n`;
