/** Horizons in the account's own words. */
import { listHorizons, updateHorizon } from '@/server/vocabulary';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listHorizons!, async ({ scope }) => ({ items: await listHorizons(scope.accountId) }));
export const PATCH = route(OPERATIONS.updateHorizon!, async ({ principal, body: { key, ...patch } }) => ({
  items: await updateHorizon(principal, key, patch),
}));
