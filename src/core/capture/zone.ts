/**
 * The time zone of a postal code in the United States, by its first three digits: good to the state, with the larger
 * part of a state that has two. Null when nothing is known; the account's own zone then holds.
 */
const RANGES: [number, number, string][] = [
  [5, 349, 'America/New_York'],
  [350, 397, 'America/Chicago'],
  [398, 418, 'America/New_York'],
  [420, 427, 'America/Chicago'],
  [430, 462, 'America/New_York'],
  [463, 464, 'America/Chicago'],
  [465, 475, 'America/New_York'],
  [476, 477, 'America/Chicago'],
  [478, 499, 'America/New_York'],
  [500, 576, 'America/Chicago'],
  [577, 577, 'America/Denver'],
  [580, 588, 'America/Chicago'],
  [590, 599, 'America/Denver'],
  [600, 692, 'America/Chicago'],
  [693, 693, 'America/Denver'],
  [700, 797, 'America/Chicago'],
  [798, 799, 'America/Denver'],
  [800, 838, 'America/Denver'],
  [840, 847, 'America/Denver'],
  [850, 865, 'America/Phoenix'],
  [870, 884, 'America/Denver'],
  [889, 966, 'America/Los_Angeles'],
  [967, 968, 'Pacific/Honolulu'],
  [970, 994, 'America/Los_Angeles'],
  [995, 999, 'America/Anchorage'],
];

export function zoneOfPostalCode(postalCode: string | null | undefined): string | null {
  if (!postalCode || !/^\d{5}(-\d{4})?$/.test(postalCode)) return null;
  const prefix = Number(postalCode.slice(0, 3));
  return RANGES.find(([low, high]) => prefix >= low && prefix <= high)?.[2] ?? null;
}
