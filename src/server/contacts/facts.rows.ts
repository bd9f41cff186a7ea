/** Facts as they stand in the table contact_facts, and back. */
import { noFacts, type Facts } from '@/core/contacts';
import { snake } from '@/core/shared';

const KEYS = Object.keys(noFacts()) as (keyof Facts)[];

/** The columns of contact_facts after its key, in one fixed order. */
export const FACT_COLUMNS = KEYS.map(snake);

export function factsOfRow(row: Record<string, unknown>): Facts {
  const facts = noFacts() as unknown as Record<string, unknown>;
  for (const key of KEYS) {
    const value = row[snake(key)];
    facts[key] = key.endsWith('At') ? (value ? new Date(value as string) : null) : Number(value ?? 0);
  }
  return facts as unknown as Facts;
}

export const rowOfFacts = (facts: Facts): Record<string, unknown> =>
  Object.fromEntries(KEYS.map((key) => [snake(key), facts[key]]));
