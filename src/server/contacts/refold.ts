/** Folding a contact's activities anew, after some of them came from or went to another contact; what stands in the tables then is what `verify` expects. */
import { foldFact, noFacts, stageAfter, type Activity, type Stage } from '@/core/contacts';
import type { Tx } from '../shared';
import { rowOfFacts } from './facts.rows';
import { recordActivities, restate } from './record-activities';

/** @param stage where the person stands from now on; when the activities say otherwise, a line of the timeline says so */
export async function refold(
  tx: Tx,
  accountId: string,
  contactId: string,
  stage: Stage,
  userId: string | null,
  at: Date,
): Promise<void> {
  const rows = await tx.rows<Omit<Activity, 'contactId' | 'userId' | 'because'> & { contact_id: string }>(
    'select at, kind, channel, direction, data from activities where contact_id = $1 order by id',
    [contactId],
  );
  let facts = noFacts();
  let folded: Stage = 'new';
  for (const row of rows) {
    const activity: Activity = { ...row, contactId, userId: null, because: null };
    facts = foldFact(facts, activity);
    folded = row.kind === 'stage' ? (row.data.stage as Stage) : stageAfter(folded, activity);
  }
  const columns = rowOfFacts(facts);
  await tx.run(
    `update contact_facts f set (${Object.keys(columns).join(', ')}) = (select ${Object.keys(columns)
      .map((name) => `v.${name}`)
      .join(', ')} from jsonb_populate_record(null::contact_facts, $2::jsonb) v) where f.contact_id = $1`,
    [contactId, JSON.stringify(columns)],
  );
  await tx.run('update contacts set stage = $2 where id = $1', [contactId, folded]);
  if (folded !== stage)
    await recordActivities(tx, accountId, [
      { contactId, userId, at, kind: 'stage', channel: null, direction: null, data: { fromStage: folded, stage }, because: null },
    ]);
  await restate(tx, [contactId], at);
}
