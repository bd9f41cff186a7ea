/** Contacts: searched, of a segment, or the people behind a number in Results. */
import { readContactsPage } from '@/app/_http/contacts-page';
import { OPERATIONS } from '@/app/_http/operations';
import { listed, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listContacts, async ({ request, scope, query }) => {
  const { page, counted } = await readContactsPage(scope, query);
  return listed(request, page, counted);
});
