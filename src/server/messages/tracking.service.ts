/** Where letters are, as the print-and-post house tells by the key of each. */
import { recordActivities } from '../contacts';
import { publish, transact } from '../shared';

export const LETTER_STATES = ['printed', 'posted', 'delivered', 'returned'] as const;
export type LetterState = (typeof LETTER_STATES)[number];

/** Keeps what is told; a letter never goes back a step, and a repeat changes nothing. */
export async function saveTracking(key: string, state: LetterState, at: Date): Promise<void> {
  await transact(async (tx) => {
    const row = await tx.first<{ id: string; account_id: string; contact_id: string; subject: string | null }>(
      `update outbox set tracking = $2, bounced_at = case when $2 = 'returned' then coalesce(bounced_at, $3::timestamptz) else bounced_at end
       where key = $1 and channel = 'letter' and coalesce(array_position($4::text[], tracking), 0) < array_position($4::text[], $2::text) returning id, account_id, contact_id, payload->>'subject' as subject`,
      [key, state, at, [...LETTER_STATES]],
    );
    if (!row) return;
    if (state === 'delivered' || state === 'returned')
      await recordActivities(tx, row.account_id, [
        {
          contactId: row.contact_id,
          userId: null,
          at,
          kind: state === 'returned' ? 'bounced' : 'changed',
          channel: 'letter',
          direction: null,
          data: {
            text: `The letter${row.subject ? ` “${row.subject}”` : ''} was ${state === 'returned' ? 'returned mail' : 'delivered'}`,
            outboxId: row.id,
          },
          because: state === 'returned' ? { why: 'refused', channel: 'letter', error: 'returned mail' } : null,
        },
      ]);
    await publish(tx, { accountId: row.account_id, topic: 'message', contactId: row.contact_id, ownerId: null });
  });
}
