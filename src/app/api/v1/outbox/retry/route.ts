/** Trying them again. */
import { retryStuck } from '@/server/messages';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.retryStuck, async ({ scope }) => ({ retried: await retryStuck(scope.accountId) }));
