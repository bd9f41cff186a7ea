/** One rehearsal. */
import { findRehearsal } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getRehearsal, ({ scope, params }) => findRehearsal(scope.accountId, params.id));
