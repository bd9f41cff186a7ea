/** The phone numbers and emails of a contact. */
import { updateContact } from '@/server/contacts';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.setAddresses, async ({ principal, params, body }) => {
  await updateContact(principal, params.id, body);
  return done();
});
