/** A day that returns every year, out of `YYYY-MM-DD`, `MM-DD` or `--MM-DD`. */
const LENGTHS = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

/** Month and day in one number (1103 is 3 November); null for a day that no calendar has. */
export function dayOfYear(text: string): number | null {
  const found = /^(?:(\d{4})-|--)?(\d{2})-(\d{2})$/.exec(text);
  if (!found) return null;
  const [year, month, day] = [Number(found[1] ?? 2000), Number(found[2]), Number(found[3])];
  if (month < 1 || month > 12 || day < 1 || day > LENGTHS[month - 1]!) return null;
  if (month === 2 && day === 29 && (year % 4 !== 0 || (year % 100 === 0 && year % 400 !== 0))) return null;
  return month * 100 + day;
}
