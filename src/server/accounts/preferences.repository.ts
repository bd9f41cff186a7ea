/** What a person set for themselves and keeps on every machine: the columns of the grid and the like. */
import { reader } from '../shared';

export const PREFERENCE_KEYS = ['contacts_grid'] as const;

export async function readPreferences(userId: string): Promise<Record<string, unknown>> {
  const rows = await reader().rows<{ key: string; value: unknown }>('select key, value from preferences where user_id = $1', [
    userId,
  ]);
  return Object.fromEntries(rows.map(({ key, value }) => [key, value]));
}

export const setPreferences = (userId: string, values: Record<string, unknown>): Promise<void> =>
  reader().run(
    `insert into preferences (user_id, key, value) select $1, key, value from jsonb_each($2::jsonb) on conflict (user_id, key) do update set value = excluded.value`,
    [userId, JSON.stringify(values)],
  );
