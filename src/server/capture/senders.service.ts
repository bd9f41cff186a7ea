/**
 * Who sends to lead mailboxes. The first sender of a mailbox is the one it was made for; another is proposed to the office, and may be
 * given a door of its own: its mails count there from then on, whichever address they are sent to.
 */
import { sendersTable } from './senders.model';
import { scopeFor, type Principal } from '@/core/accounts';
import { oneLine, senderOf, type SenderView } from '@/core/capture';
import { notFound } from '@/core/shared';
import { now, reader, writeAudit, transact, type Tx } from '../shared';
import type { ArrivalDoor } from './arrival';
import { createDoor } from './doors.service';

/** The door by which a mail comes: that of its sender where the sender has one of its own, otherwise the one it was sent to. */
export async function doorOfSender(door: ArrivalDoor, address: string): Promise<ArrivalDoor> {
  const own = await reader().first<Omit<ArrivalDoor, 'accountId'>>(
    `select d.id, d.kind, d.name, d.source, d.defaults from senders s join doors d on d.id = s.door_id and d.active where s.account_id = $1 and s.domain = $2 and s.state = 'known' and d.id <> $3`,
    [door.accountId, senderOf(address), door.id],
  );
  return own ? { ...own, accountId: door.accountId } : door;
}

/** Notes who sent a lead to a mailbox. Whoever forwards from an address of the house is no sender. */
export async function noteSender(tx: Tx, door: ArrivalDoor, from: { name: string; address: string }, at: Date): Promise<void> {
  await tx.run(
    `insert into senders (account_id, door_id, domain, name, state, first_at)
     select $1, $2, $3, $4, case when exists (select 1 from senders where door_id = $2) then 'proposed' else 'known' end, $5
     where $3 <> '' and not exists (select 1 from users where account_id = $1 and lower(split_part(email, '@', 2)) = $3)
     on conflict (account_id, domain) do nothing`,
    [door.accountId, door.id, senderOf(from.address), oneLine(from.name).slice(0, 120), at],
  );
}

/** The senders that nobody has looked at yet, the latest first. */
export const listSenders = (principal: Principal): Promise<SenderView[]> =>
  reader().rows<SenderView>(
    `select s.id, s.domain, s.name, json_build_object('id', d.id::text, 'name', d.name) as door, s.first_at,
       (select count(*)::int from lead_mails m where m.door_id = s.door_id and lower(split_part(m.from_address, '@', 2)) = s.domain) as mails
     from senders s join doors d on d.id = s.door_id where s.account_id = $1 and s.state = 'proposed' and d.active order by s.first_at desc, s.id desc`,
    [scopeFor(principal).accountId],
  );

/**
 * Gives a new sender a mailbox of its own, which gives what the other one gives and knows what it learned of this sender; or leaves
 * the sender where it writes to. Twice, the second finds nothing to settle. @throws AppError not_found
 */
export async function updateSender(
  principal: Principal,
  id: string,
  { own_door, name }: { own_door: boolean; name?: string },
): Promise<void> {
  const { accountId } = scopeFor(principal);
  const settle = async (tx: Tx) => {
    const sender = await tx.first<{ domain: string; name: string; door_id: string; defaults: ArrivalDoor['defaults'] }>(
      `update senders s set state = 'known' from doors d where s.id = $1 and s.account_id = $2 and s.state = 'proposed' and d.id = s.door_id returning s.domain, s.name, s.door_id, d.defaults`,
      [id, accountId],
    );
    if (!sender) throw notFound('sender');
    await writeAudit(tx, principal, accountId, 'sender.settle', { domain: sender.domain, own: own_door }, await now(tx));
    return sender;
  };
  const sender = await transact(settle);
  if (!own_door) return;
  const called = name ?? (sender.name || sender.domain);
  const door = await createDoor(principal, { kind: 'mail', name: called, source: called, defaults: sender.defaults });
  await transact(async (tx) => {
    await sendersTable.update({ door_id: door.id }, { id }, tx);
    await tx.run('update extraction_rules set door_id = $3 where door_id = $1 and sender = $2', [
      sender.door_id,
      sender.domain,
      door.id,
    ]);
  });
}
