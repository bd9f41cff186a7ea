/** What merge fields say of one person, for previews: the words themselves are filled in where they are written. */
import type { Scope } from '@/core/accounts';
import type { MergeFields } from '@/core/messages';
import { readTouchedContacts } from '../campaigns';
import { findContact } from '../contacts';
import { reader } from '../shared';

/** @throws AppError not_found */
export async function mergeFieldsOf(scope: Scope, contactId: string): Promise<{ fields: MergeFields; texted_before: boolean }> {
  await findContact(scope, contactId);
  const people = await readTouchedContacts(reader(), [contactId], { household: true, fields: true, listing: true });
  const { fields, textedBefore } = people.get(contactId)!;
  return { fields, texted_before: textedBefore };
}
