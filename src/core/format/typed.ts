/** Times and sums as people type them. Days are read as those of files are (`readDay`). */

/**
 * A time of day.
 * @example readTime('9:30 pm') // '21:30'
 * @example readTime('930a') // '09:30'
 * @returns `HH:MM`; null when it is none
 */
export function readTime(typed: string): string | null {
  const text = typed.trim().toLowerCase().replace(/\./g, '');
  if (text === 'noon') return '12:00';
  if (text === 'midnight') return '00:00';
  const found = /^(\d{1,2})(?:[:h ]?(\d\d))?\s*(a|am|p|pm)?$/.exec(text);
  if (!found) return null;
  const [, hours, minutes = '00', half] = found;
  const hour = Number(hours);
  if (Number(minutes) > 59 || hour > (half ? 12 : 23) || (half && hour === 0)) return null;
  const of24 = half ? (hour % 12) + (half.startsWith('p') ? 12 : 0) : hour;
  return `${String(of24).padStart(2, '0')}:${minutes}`;
}

const SCALES: Record<string, number> = { k: 1e3, m: 1e6, mm: 1e6, mil: 1e6, million: 1e6, thousand: 1e3 };
/**
 * A sum in dollars.
 * @example readMoney('$400k') // 400000
 * @example readMoney('1.2M') // 1200000
 * @returns null when it is none
 */
export function readMoney(typed: string): number | null {
  const text = typed
    .trim()
    .toLowerCase()
    .replace(/^(?:usd|us\$|\$)\s*|\s*(?:usd|dollars?)$/g, '');
  const found = /^(\d{1,3}(?:[, ]\d{3})+|\d+)(\.\d+)?\s*(k|mm?|mil|million|thousand)?$/.exec(text);
  if (!found) return null;
  const [, whole, part = '', scale] = found;
  return Math.round(Number(whole!.replace(/[, ]/g, '') + part) * (scale ? SCALES[scale]! : 1) * 100) / 100;
}
