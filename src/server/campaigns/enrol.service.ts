/** Enrolling contacts and stopping by hand. One contact is in a campaign at most once at a time, and in one campaign of an exclusive group. */
import { notFound } from '@/core/shared';
import { fullName, scopeFor, type Principal } from '@/core/accounts';
import { plannedAt, type Touch } from '@/core/campaigns';
import { stepOf, type Activity, type Because, type Stage } from '@/core/contacts';
import { endFollowUp, lockContact, recordActivities, visible } from '../contacts';
import { now, transact, type Tx } from '../shared';

interface Enrollee {
  contactId: string;
  stage: Stage;
  timeZone: string;
  onThePhone: boolean;
}

/**
 * Enrols one contact whose inquiry arrived, unless somebody works with them already; answers the line for the timeline
 * either way, so that nobody wonders.
 */
export async function enrolArrival(
  tx: Tx,
  accountId: string,
  campaignId: string,
  contact: Enrollee,
  at: Date,
): Promise<Activity> {
  const campaign = await tx.first<{ name: string; touches: Touch[]; same: boolean; group_taken: boolean }>(
    `select c.name, c.touches,
       exists (select 1 from enrolments e where e.contact_id = $2 and e.campaign_id = c.id and e.state = 'active') as same,
       exists (select 1 from enrolments e join campaigns o on o.id = e.campaign_id where e.contact_id = $2 and e.state = 'active' and o.exclusive_group = c.exclusive_group) as group_taken
     from campaigns c where c.id = $1`,
    [campaignId, contact.contactId],
  );
  const name = campaign!.name;
  const say = (kind: 'enrolled' | 'held', because: Because): Activity => ({
    contactId: contact.contactId,
    userId: null,
    at,
    kind,
    channel: null,
    direction: null,
    data: { campaign: name, campaignId },
    because,
  });
  if (contact.onThePhone) return say('held', { why: 'not_enrolled', campaign: name, cause: 'on_the_phone' });
  if (!['new', 'reaching'].includes(stepOf(contact.stage)))
    return say('held', { why: 'not_enrolled', campaign: name, cause: 'stage', stage: contact.stage });
  if (campaign!.same) return say('held', { why: 'not_enrolled', campaign: name, cause: 'already_in' });
  if (campaign!.group_taken) return say('held', { why: 'not_enrolled', campaign: name, cause: 'other_campaign' });
  const first = campaign!.touches[0];
  const due = first ? plannedAt(first, at, contact.timeZone) : at;
  await tx.run(
    `insert into enrolments (account_id, campaign_id, contact_id, started_at, due_at, planned_at, because) values ($1, $2, $3, $4, $5, $5, $6::jsonb)`,
    [accountId, campaignId, contact.contactId, at, due, JSON.stringify({ why: 'arrived', campaign: name })],
  );
  return say('enrolled', { why: 'arrived', campaign: name });
}

/** Stops one enrolment by hand. */
export async function stopEnrolment(principal: Principal, enrolmentId: string): Promise<void> {
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    const bind: unknown[] = [enrolmentId];
    const row = await tx.first<{ contact_id: string }>(
      `select e.contact_id from enrolments e join contacts c on c.id = e.contact_id where e.id = $1 and e.state = 'active' and ${visible(scope, bind)}`,
      bind,
    );
    if (!row) throw notFound('enrolment under way');
    await lockContact(scope, row.contact_id, tx);
    const at = await now(tx);
    const by = principal.kind === 'person' ? fullName(principal.person) : 'a program';
    const stopped = await endFollowUp(tx, [{ contactId: row.contact_id, at, why: 'stopped_by', by, enrolmentId }]);
    await recordActivities(tx, scope.accountId, stopped);
  });
}
