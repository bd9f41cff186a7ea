/** A contact that holds two people becomes two. */
import { splitContact } from '@/server/duplicates';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.splitContact, async ({ principal, params, body }) =>
  created(await splitContact(principal, params.id, body)),
);
