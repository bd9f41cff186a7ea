/** Stages in the account's own words. */
import { listStages, updateStage } from '@/server/vocabulary';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listStages!, async ({ scope }) => ({ items: await listStages(scope.accountId) }));
export const PATCH = route(OPERATIONS.updateStage!, async ({ principal, body: { key, ...patch } }) => ({
  items: await updateStage(principal, key, patch),
}));
