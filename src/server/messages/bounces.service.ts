/** What comes back of our mails: for good, and the address is wrong from now on; three times for a while, as well; called unwanted, and no e-mail goes there again. */
import type { Returned } from '@/core/mail';
import type { Activity } from '@/core/contacts';
import { recordOptOut, recordActivities } from '../contacts';
import { now, transact, type RowOf, type Tx } from '../shared';
import type { outboxTable } from './outbox.model';

/** So many times in a row, and the address counts as wrong. Whatever arrives in between begins the count anew. */
const SOFT_MOST = 3;

interface SentRow extends Pick<RowOf<typeof outboxTable>, 'id' | 'account_id' | 'contact_id' | 'payload'> {
  address: string;
}

/** Takes a report in, once. @returns whether it was about a message of ours */
export async function receiveReturned(returned: Returned, eventId: string): Promise<boolean> {
  return transact(async (tx) => {
    const row = returned.key
      ? await tx.first<SentRow>(
          `select id, account_id, contact_id, address, payload from outbox where key = $1 and channel = 'email'`,
          [returned.key],
        )
      : null;
    if (!row) return false;
    const fresh = await tx.rows(
      `insert into received (source, event_id) values ('mail', $1) on conflict do nothing returning event_id`,
      [`returned ${eventId}`.slice(0, 300)],
    );
    if (!fresh.length) return true;
    const at = await now(tx);
    if (returned.kind === 'complaint') await complained(tx, row, at);
    else await bounced(tx, row, returned, at);
    return true;
  });
}

async function complained(tx: Tx, row: SentRow, at: Date): Promise<void> {
  await tx.run('update outbox set complained_at = coalesce(complained_at, $2) where id = $1', [row.id, at]);
  await recordOptOut(tx, row.account_id, row.contact_id, {
    channel: 'email',
    address: row.address,
    how: 'they marked an email as spam',
    at,
  });
}

async function bounced(tx: Tx, row: SentRow, { kind, error }: Returned, at: Date): Promise<void> {
  await tx.run('update outbox set bounced_at = coalesce(bounced_at, $2) where id = $1', [row.id, at]);
  /* An address that does not work works for nobody who has it. */
  const point = await tx.first<{ soft_bounces: number }>(
    `with marked as (update contact_points set soft_bounces = soft_bounces + case when $4 then 1 else 0 end,
       error = case when not $4 then $5 when soft_bounces + 1 >= ${SOFT_MOST} then 'mails came back ${SOFT_MOST} times: ' || $5 else error end
     where account_id = $1 and kind = 'email' and value = $3 and active returning contact_id, soft_bounces)
     select soft_bounces from marked where contact_id = $2`,
    [row.account_id, row.contact_id, row.address, kind === 'soft', error],
  );
  const wrong = kind === 'hard' || (point?.soft_bounces ?? 0) >= SOFT_MOST;
  const line: Activity = {
    contactId: row.contact_id,
    userId: null,
    at,
    kind: 'bounced',
    channel: 'email',
    direction: 'out',
    data: {
      subject: row.payload.subject ?? undefined,
      to: row.address,
      outboxId: row.id,
      text: wrong ? `${error}. We’ll stop sending to this address.` : `${error}. It bounced for now.`,
    },
    because: { why: 'refused', channel: 'email', error },
  };
  await recordActivities(tx, row.account_id, [line]);
}
