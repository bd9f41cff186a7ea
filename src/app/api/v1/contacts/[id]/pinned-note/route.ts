/** Pinning a note of a contact. */
import { pinNote } from '@/server/contacts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.setPinnedNote, async ({ principal, params, body }) => {
  await pinNote(principal, params.id, body.note_id);
  return done();
});
