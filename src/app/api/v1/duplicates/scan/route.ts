/** Looking for duplicates. */
import { requestDuplicateScan, findDuplicateScan } from '@/server/duplicates';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getDuplicateScan, ({ scope }) => findDuplicateScan(scope.accountId));
export const POST = route(OPERATIONS.startDuplicateScan, ({ principal }) => requestDuplicateScan(principal));
