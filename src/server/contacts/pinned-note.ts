/** A note of a contact stands above everything else that is known of them. */
import { notFound } from '@/core/shared';
import { scopeFor, type Principal } from '@/core/accounts';
import { publish, transact } from '../shared';
import { lockContact } from './contacts.repository';

/** @param noteId null unpins @throws AppError not_found, also for what is no note of this contact */
export async function pinNote(principal: Principal, contactId: string, noteId: string | null): Promise<void> {
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    const { ownerId } = await lockContact(scope, contactId, tx);
    if (
      noteId &&
      !(await tx.first(`select 1 from activities where id = $1 and contact_id = $2 and kind = 'note'`, [noteId, contactId]))
    )
      throw notFound('note');
    await tx.run('update contacts set pinned_note_id = $2 where id = $1', [contactId, noteId]);
    await publish(tx, { accountId: scope.accountId, topic: 'contact', contactId, ownerId });
  });
}
