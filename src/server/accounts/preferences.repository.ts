/** What a person set for themselves and keeps on every machine: the columns of the grid and the like. */
import { formatOfSettings, settingsView } from '@/core/accounts';
import type { FormatChoice } from '@/core/format';
import { transact } from '../shared';
import { preferencesTable } from './preferences.model';
import { readSettings } from './users.repository';

export const PREFERENCE_KEYS = ['contacts_grid', 'format', 'view', 'lead_alerts'] as const;

export async function readPreferences(userId: string): Promise<Record<string, unknown>> {
  const rows = await preferencesTable.list({ user_id: userId }, ['key']);
  return Object.fromEntries(rows.map(({ key, value }) => [key, value]));
}

export const setPreferences = (userId: string, values: Record<string, unknown>): Promise<void> =>
  transact(async (tx) => {
    for (const [key, value] of Object.entries(values)) await preferencesTable.put({ user_id: userId, key, value }, tx);
  });

/** The formats of a person: their own, or those of the account. */
export async function readFormat(user: { id: string; accountId: string }): Promise<FormatChoice> {
  const own = await preferencesTable.find({ user_id: user.id, key: 'format' });
  if (own) return own.value as FormatChoice;
  return formatOfSettings(settingsView(await readSettings(user.accountId)));
}
