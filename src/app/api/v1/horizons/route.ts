/** Horizons in the account's own words. */
import { deleteHorizon } from '@/server/changes';
import { createHorizon, listHorizons, updateHorizon } from '@/server/vocabulary';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listHorizons, async ({ scope }) => ({ items: await listHorizons(scope.accountId) }));
export const POST = route(OPERATIONS.createHorizon, async ({ principal, body }) => ({
  items: await createHorizon(principal, body),
}));
export const PATCH = route(OPERATIONS.updateHorizon, async ({ principal, body: { key, ...patch } }) => ({
  items: await updateHorizon(principal, key, patch),
}));
export const DELETE = route(OPERATIONS.deleteHorizon, ({ principal, query }) =>
  deleteHorizon(principal, query.key, query.replace_by ?? null),
);
