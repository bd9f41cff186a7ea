/**
 * The time zone of a ZIP code, from a table made of where each lies (scripts/zip-zones.mjs): quiet hours are law, and whole counties keep
 * another time than the rest of their state. Null when nothing is known; the account's own zone then holds.
 */
import { ZIP_ZONES } from './zip-zones';

const { zones, runs } = ZIP_ZONES;
const LENGTH = runs.length / 2;

export function zoneOfPostalCode(postalCode: string | null | undefined): string | null {
  const zip = /^(\d{5})(?:-?\d{4})?$/.exec(postalCode?.trim() ?? '')?.[1];
  if (!zip || Number(zip) < runs[0]!) return null;
  /* The last run that begins at or before it. */
  let low = 0;
  let high = LENGTH - 1;
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (runs[middle * 2]! <= Number(zip)) low = middle;
    else high = middle - 1;
  }
  return zones[runs[low * 2 + 1]!] ?? null;
}
