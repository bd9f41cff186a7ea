/** Conversations of the assistant: what somebody answers is understood, written down and answered, or handed to their agent, in the transaction that takes the answer in. */
import { continueConversation, type ConversationDecision, type ConversationReply } from '@/core/conversations';
import type { Activity } from '@/core/contacts';
import { listFields, recordActivities, restate, setFields } from '../contacts';
import { wakeWorkers, type Tx, type RowOf } from '../shared';
import type { assistantConversationsTable } from './assistant-conversations.model';

type TalkRow = Pick<RowOf<typeof assistantConversationsTable>, 'id' | 'account_id' | 'flow' | 'progress'> & {
  owner_id: string | null;
  phone: string | null;
};

/** Whether the assistant has asked them something and waits. */
export const isTalking = async (tx: Tx, contactId: string): Promise<boolean> =>
  (await tx.first(`select 1 from assistant_conversations where contact_id = $1 and state = 'open'`, [contactId])) !== null;

/** Goes on with the open conversation of somebody who wrote, if there is one. */
export async function answerConversation(tx: Tx, contactId: string, text: string, at: Date): Promise<void> {
  const row = await tx.first<TalkRow>(
    `select t.id, t.account_id, t.flow, t.progress, c.owner_id, (select value from contact_points p where p.contact_id = c.id and p.kind = 'phone' and p.active order by p.position, p.id limit 1) as phone
     from assistant_conversations t join contacts c on c.id = t.contact_id where t.contact_id = $1 and t.state = 'open' for update of t`,
    [contactId],
  );
  if (!row) return;
  const towns = await townsOf(tx, row.account_id);
  const decision = continueConversation(row.flow, row.progress, text, { towns, now: at });
  await tx.run(
    'update assistant_conversations set state = $2, progress = $3::jsonb, because = $4::jsonb, last_at = $5 where id = $1',
    [row.id, decision.state, JSON.stringify(decision.progress), JSON.stringify({ told: decision.told }), at],
  );
  const told = await writeDown(tx, row.account_id, contactId, decision, at);
  await recordActivities(tx, row.account_id, told);
  if (decision.says && row.phone) {
    await tx.run(
      `insert into outbox (account_id, key, channel, contact_id, user_id, address, payload, automatic, due_at, created_at) values ($1, $2, 'text', $3, $4, $5, $6::jsonb, true, $7, $7) on conflict (key) do nothing`,
      [
        row.account_id,
        `t${row.id}-${row.progress.at}`,
        contactId,
        row.owner_id,
        row.phone,
        JSON.stringify({ text: decision.says, talk: true }),
        at,
      ],
    );
    await wakeWorkers(tx);
  }
}

/** The towns that the account knows: of its people and of its listings. */
async function townsOf(tx: Tx, accountId: string): Promise<string[]> {
  const rows = await tx.rows<{ town: string }>(
    `select distinct city as town from listings where account_id = $1 and city <> '' union select city from (select city, count(*) as n from contacts where account_id = $1 and city <> '' group by city order by n desc limit 200) c`,
    [accountId],
  );
  return rows.map(({ town }) => town);
}

async function writeDown(
  tx: Tx,
  accountId: string,
  contactId: string,
  { writes, told, state }: ConversationDecision,
  at: Date,
): Promise<Activity[]> {
  for (const one of writes) await write(tx, accountId, contactId, one, at);
  return [
    {
      contactId,
      userId: null,
      at,
      kind: 'changed',
      channel: null,
      direction: null,
      data: { text: state === 'handed' ? `The assistant handed off: ${told}` : told, automatic: true },
      because: null,
    },
  ];
}

async function write(tx: Tx, accountId: string, contactId: string, what: ConversationReply, at: Date): Promise<void> {
  switch (what.write) {
    case 'horizon':
      await tx.run(
        'update contacts set horizon = $2, updated_at = $3 where id = $1 and exists (select 1 from horizons h where h.account_id = contacts.account_id and h.key = $2 and h.deleted_at is null)',
        [contactId, what.horizon, at],
      );
      return restate(tx, [contactId], at);
    case 'price':
      return merged(
        tx,
        contactId,
        { ...(what.min === null ? {} : { price_min: what.min }), ...(what.max === null ? {} : { price_max: what.max }) },
        at,
      );
    case 'areas':
      return merged(tx, contactId, { areas: what.areas }, at);
    case 'field': {
      const field = (await listFields(accountId, tx)).find(({ id }) => id === what.fieldId);
      if (field?.kind === 'text' || field?.kind === 'choice')
        await setFields(tx, accountId, contactId, { [what.fieldId]: what.value });
      else if (field?.kind === 'flag') await setFields(tx, accountId, contactId, { [what.fieldId]: what.value === 'yes' });
    }
  }
}
const merged = (tx: Tx, contactId: string, wants: object, at: Date): Promise<void> =>
  tx.run('update contacts set wants = wants || $2::jsonb, updated_at = $3 where id = $1', [contactId, JSON.stringify(wants), at]);
