/** Somebody leaves. */
import { deactivateUser } from '@/server/changes';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.deactivateUser, ({ principal, params, body }) =>
  deactivateUser(principal, params.id, body.change),
);
