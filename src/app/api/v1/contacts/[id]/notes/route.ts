/** Notes. */
import { addNote } from '@/server/contacts';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.addNote, async ({ principal, params, body }) =>
  created(await addNote(principal, params.id, body.text)),
);
