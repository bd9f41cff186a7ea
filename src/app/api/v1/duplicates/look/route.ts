/** Looking for duplicates. */
import { askLook, readLook } from '@/server/duplicates';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getLook!, ({ scope }) => readLook(scope.accountId));
export const POST = route(OPERATIONS.askLook!, ({ principal }) => askLook(principal));
