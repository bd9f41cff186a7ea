/** What merge fields say of one person, for previews: the words themselves are filled in where they are written. */
import { profileOf, scopeFor, type Principal, type Profile } from '@/core/accounts';
import type { MergeFields } from '@/core/messages';
import { readTouchedContacts } from '../campaigns';
import { findContact } from '../contacts';
import { reader, type Tx } from '../shared';

/** How an e-mail ends that somebody writes by hand; empty for a program, and for whoever wrote no signature. */
export async function signatureFor(principal: Principal, tx: Pick<Tx, 'first'> = reader()): Promise<string> {
  if (principal.kind !== 'user') return '';
  const user = await tx.first<{ profile: Partial<Profile> }>('select profile from users where id = $1', [principal.user.id]);
  return profileOf(user?.profile).signature.trim();
}

/** `signature` is that of whoever asks. @throws AppError not_found */
export async function mergeFieldsOf(
  principal: Principal,
  contactId: string,
): Promise<{ fields: MergeFields; texted_before: boolean; signature: string }> {
  await findContact(scopeFor(principal), contactId);
  const people = await readTouchedContacts(reader(), [contactId], { household: true, fields: true, listing: true });
  const { fields, textedBefore } = people.get(contactId)!;
  return { fields, texted_before: textedBefore, signature: await signatureFor(principal) };
}
