/** Stages in the account's own words. */
import { deleteStage } from '@/server/changes';
import { createStage, listStages, updateStage } from '@/server/vocabulary';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listStages, async ({ scope }) => ({ items: await listStages(scope.accountId) }));
export const POST = route(OPERATIONS.createStage, async ({ principal, body }) => ({
  items: await createStage(principal, body),
}));
export const PATCH = route(OPERATIONS.updateStage, async ({ principal, body: { key, ...patch } }) => ({
  items: await updateStage(principal, key, patch),
}));
export const DELETE = route(OPERATIONS.deleteStage, ({ principal, query }) =>
  deleteStage(principal, query.key, query.replace_by),
);
