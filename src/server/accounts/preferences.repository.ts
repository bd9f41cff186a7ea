/** What a person set for themselves and keeps on every machine: the columns of the grid and the like. */
import { transact } from '../shared';
import { preferencesTable } from './preferences.model';

export const PREFERENCE_KEYS = ['contacts_grid'] as const;

export async function readPreferences(userId: string): Promise<Record<string, unknown>> {
  const rows = await preferencesTable.list({ user_id: userId }, ['key']);
  return Object.fromEntries(rows.map(({ key, value }) => [key, value]));
}

export const setPreferences = (userId: string, values: Record<string, unknown>): Promise<void> =>
  transact(async (tx) => {
    for (const [key, value] of Object.entries(values)) await preferencesTable.put({ user_id: userId, key, value }, tx);
  });
