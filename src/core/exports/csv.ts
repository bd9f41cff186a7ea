/** Writing CSV (RFC 4180) that no spreadsheet runs: a cell that would be a formula is made text by an apostrophe before it. */

/** What a spreadsheet would run: `=`, `+`, `-`, `@` at the beginning, also behind blanks; a plain number or a phone number is none. */
export const inert = (text: string): string =>
  /^[\s\u00a0]*[=@\t\r]/.test(text) || (/^[\s]*[+-]/.test(text) && !/^[\s]*[+-][\d\s().-]*$/.test(text)) ? `'${text}` : text;

export function csvCell(value: string): string {
  const text = inert(value);
  return /[",\r\n]/.test(text) || /^\s|\s$/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
}
export const csvLine = (cells: readonly string[]): string => `${cells.map(csvCell).join(',')}\r\n`;
