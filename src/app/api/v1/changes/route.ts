/** Changes of many contacts. */
import { createChange, listChanges } from '@/server/changes';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listChanges, async ({ principal, query }) => ({
  items: await listChanges(principal, query.limit),
}));
export const POST = route(OPERATIONS.createChange, async ({ principal, body }) => created(await createChange(principal, body)));
