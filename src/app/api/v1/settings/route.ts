/** Settings of the account. */
import { settingsView } from '@/core/accounts';
import { readSettings, updateSettings } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getSettings, async ({ scope }) => settingsView(await readSettings(scope.accountId)));

export const PATCH = route(OPERATIONS.updateSettings, async ({ principal, body }) =>
  settingsView(await updateSettings(principal, body)),
);
