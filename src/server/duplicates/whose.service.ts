/** A message from an address that several people have: somebody says whose it was, and it goes to that one's timeline. */
import { AppError, notFound } from '@/core/shared';
import type { Stage } from '@/core/contacts';
import { scopeFor, type Principal } from '@/core/accounts';
import { lockContact, refold } from '../contacts';
import { now, publish, transact, writeAudit, type Tx } from '../shared';

/**
 * @param ownerOf whose it is: the contact under whom it stands, or another one who has the address it came from
 * @throws AppError not_found, input_invalid for somebody without that address
 */
export async function sayWhose(principal: Principal, activityId: string, ownerOf: string): Promise<void> {
  const scope = scopeFor(principal);
  const { accountId, userId } = scope;
  await transact(async (tx) => {
    const contactId = (
      await tx.first<{ contact_id: string }>('select contact_id from activities where id = $1 and account_id = $2', [
        activityId,
        accountId,
      ])
    )?.contact_id;
    if (!contactId) throw notFound('message');
    const both = [...new Set([contactId, ownerOf])].sort((a, b) => Number(BigInt(a) - BigInt(b)));
    const locked = new Map<string, Awaited<ReturnType<typeof lockContact>>>();
    for (const id of both) locked.set(id, await lockContact(scope, id, tx));
    const line = await tx.first<{ from: string | null; at: Date }>(
      `select data->>'from' as from, at from activities where id = $1 and contact_id = $2 and kind = 'message' and direction = 'in' for update`,
      [activityId, contactId],
    );
    if (!line) throw notFound('message');
    await tx.run(`update activities set data = data - 'shared' where id = $1`, [activityId]);
    if (ownerOf === contactId) return;
    if (!(await tx.first('select 1 from contact_points where contact_id = $1 and value = $2 and active', [ownerOf, line.from])))
      throw new AppError('input_invalid', 'They don’t have the address it came from.', {
        fields: [{ field: 'contact_id', message: 'doesn’t have that address' }],
      });
    const at = await now(tx);
    await tx.run('update activities set contact_id = $2 where id = $1', [activityId, ownerOf]);
    for (const id of both) await refold(tx, accountId, id, locked.get(id)!.stage as Stage, userId, at);
    await readAgain(tx, contactId, ownerOf, line.at);
    await writeAudit(tx, principal, accountId, 'contacts.sayWhose', { activityId, from: contactId, to: ownerOf }, at);
    for (const id of both) await publish(tx, { accountId, topic: 'contact', contactId: id, ownerId: locked.get(id)!.ownerId });
  });
}

/** Unread is whoever wrote; the one under whom it stood is not, when nothing else of theirs is. */
async function readAgain(tx: Tx, fromId: string, toId: string, wroteAt: Date): Promise<void> {
  await tx.run('update contacts set unread_at = coalesce(unread_at, $2), wrote_at = greatest(wrote_at, $2) where id = $1', [
    toId,
    wroteAt,
  ]);
  await tx.run(
    `update contacts c set unread_at = case when x.last >= c.unread_at then c.unread_at end, wrote_at = x.last
     from (select max(at) as last from activities where contact_id = $1 and kind = 'message' and direction = 'in') x where c.id = $1`,
    [fromId],
  );
}
