/** Merges of a contact that can be taken apart. */
import { findContact } from '@/server/contacts';
import { listMerges } from '@/server/duplicates';
import { reader } from '@/server/shared';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listMerges, async ({ scope, params }) => {
  await findContact(scope, params.id);
  return { items: await listMerges(reader(), params.id) };
});
