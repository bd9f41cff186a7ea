/** Settings of the account. */
import { readSettings, updateSettings } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

const view = (settings: Awaited<ReturnType<typeof readSettings>>) => ({
  quiet_to: settings.quietTo,
  quiet_from: settings.quietFrom,
  conversation_seconds: settings.conversationSeconds,
  tag_barred: settings.tagBarred,
  tag_places: settings.tagPlaces,
});

export const GET = route(OPERATIONS.getSettings!, async ({ scope }) => view(await readSettings(scope.accountId)));

export const PATCH = route(OPERATIONS.updateSettings!, async ({ principal, body }) =>
  view(await updateSettings(principal, body)),
);
