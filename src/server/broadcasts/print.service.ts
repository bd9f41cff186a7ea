/** Printing a broadcast's letters here: ordered, made by the worker as one file, fetched. */
import { CHANNELS } from '@/core/contacts';
import { AppError, notFound } from '@/core/shared';
import { accountOf, scopeFor, type Principal } from '@/core/accounts';
import { nameSql, enqueue, now, publish, reader, transact } from '../shared';
import { findBroadcast } from './broadcasts.service';

export type Print = 'letters' | 'labels';
const COLUMN: Record<Print, string> = { letters: 'letters_id', labels: 'labels_id' };

/** @throws AppError not_found, conflict while no letter has gone */
export async function orderPrint(principal: Principal, id: string, what: Print): Promise<void> {
  const { channel, counts } = await findBroadcast(scopeFor(principal), id);
  if (!CHANNELS[channel].isPrinted || counts.sent === 0)
    throw new AppError('conflict', 'There are no letters to print yet. Start the broadcast first.');
  await transact(async (tx) => {
    await tx.run(`update broadcasts set ${COLUMN[what]} = null where id = $1`, [id]);
    await enqueue(tx, 'broadcasts.print', { broadcastId: id, what });
  });
}

interface Batch {
  name: string;
  brokerage: string;
  at: Date;
  letters: { brokerage: string; agent: string; name: string; address: string; text: string; at: Date; timeZone: string }[];
}
/** What has gone of it, as it went; null for a broadcast that is not there. */
export async function lettersToPrint(id: string): Promise<Batch | null> {
  const head = await reader().first<{ name: string; brokerage: string; zone: string }>(
    'select b.name, a.name as brokerage, a.time_zone as zone from broadcasts b join accounts a on a.id = b.account_id where b.id = $1',
    [id],
  );
  if (!head) return null;
  const rows = await reader().rows<{
    name: string;
    agent: string | null;
    address: string;
    text: string;
    at: Date;
    time_zone: string;
  }>(
    `select coalesce(o.payload->>'names', ${nameSql('c')}) as name, ${nameSql('u')} as agent, o.address, coalesce(o.payload->>'text', '') as text, o.sent_at as at, c.time_zone
     from outbox o join contacts c on c.id = o.contact_id left join users u on u.id = o.user_id where o.broadcast_id = $1 and o.state = 'sent' order by c.postal_code, o.id`,
    [id],
  );
  return {
    name: head.name,
    brokerage: head.brokerage,
    at: await now(),
    letters: rows.map(({ time_zone, agent, ...row }) => ({
      ...row,
      brokerage: head.brokerage,
      agent: agent ?? head.brokerage,
      timeZone: time_zone,
    })),
  };
}

export async function savePrint(id: string, what: Print, name: string, bytes: Buffer): Promise<void> {
  await transact(async (tx) => {
    const row = await tx.first<{ account_id: string }>(
      `with f as (insert into files (account_id, name, type, bytes, made_by, made_at) select account_id, $2, 'application/pdf', $3, made_by, $4 from broadcasts where id = $1 returning id)
       update broadcasts b set ${COLUMN[what]} = f.id from f where b.id = $1 returning b.account_id`,
      [id, name, bytes, await now(tx)],
    );
    if (row) await publish(tx, { accountId: row.account_id, topic: 'message', ownerId: null });
  });
}

/** The file that was made, null while it is being made. @throws AppError not_found */
export async function readPrint(principal: Principal, id: string, what: Print): Promise<{ name: string; bytes: Buffer } | null> {
  await findBroadcast(scopeFor(principal), id);
  const row = await reader().first<{ name: string | null; bytes: Buffer | null }>(
    `select f.name, f.bytes from broadcasts b left join files f on f.id = b.${COLUMN[what]} where b.id = $1 and b.account_id = $2`,
    [id, accountOf(principal)],
  );
  if (!row) throw notFound('broadcast');
  return row.bytes && { name: row.name!, bytes: row.bytes };
}
