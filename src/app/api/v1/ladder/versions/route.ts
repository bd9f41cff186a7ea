/** The ladders of before. */
import { listLadderVersions } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listLadderVersions, async ({ scope }) => ({
  items: await listLadderVersions(scope.accountId),
}));
