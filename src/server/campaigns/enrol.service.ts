/** Enrolling contacts and stopping by hand. One contact is in a campaign at most once at a time, and in one campaign of an exclusive group. */
import { foreignTo } from './rights.sql';
import { notFound } from '@/core/shared';
import { fullName, scopeFor, type Principal } from '@/core/accounts';
import { firstDue, type TouchedContact } from '@/core/campaigns';
import { FOLLOWED_UP, stepOf, type Activity, type Because, type Stage } from '@/core/contacts';
import { endFollowUp, listFields, lockContact, recordActivities, segmentSql, visible } from '../contacts';
import { now, transact, type Tx } from '../shared';
import { LATEST, readVersions, type Version } from './versions';

interface Enrollee {
  contactId: string;
  stage: Stage;
  timeZone: string;
  onThePhone: boolean;
}

/** The dates of a contact `c` by kind, as months and days. */
export const DATES = `(select jsonb_object_agg(kind, days) from (select d.kind, jsonb_agg(d.month_day) as days from contact_dates d where d.contact_id = c.id group by d.kind) k)`;
export type Dates = TouchedContact['dates'];

/** Whether a plan asks for dates of the person. */
export const asksDates = ({ program }: Pick<Version, 'program'>): boolean =>
  [...program.nodes.values()].some(({ step }) => 'date' in step.when);

const OPEN = `p.state in ('on','held') and p.deleted_at is null`;

/** How a campaign stands for somebody who may come into it. */
interface EnrollmentRequest {
  name: string;
  /** Whether it takes people. */
  open: boolean;
  version: string;
  same: boolean;
  group_taken: boolean;
  /** They told us to stop. */
  refused: boolean;
  dates: Dates | null;
}

/** Whether contact `$2` is in a campaign now. */
const held = (which: string): string =>
  `exists (select 1 from enrollments e join campaigns o on o.id = e.campaign_id where e.contact_id = $2 and e.state in ('active','paused') and ${which})`;

/**
 * Enrolls a contact whose inquiry arrived, unless somebody works with them already.
 * @returns the line of the timeline that says so, or why not, so that nobody wonders; none for a campaign that is gone
 */
export async function enrollArrived(
  tx: Tx,
  accountId: string,
  campaignId: string,
  contact: Enrollee,
  at: Date,
): Promise<Activity[]> {
  const { contactId } = contact;
  const request = await tx.first<EnrollmentRequest>(
    `select p.name, ${OPEN} as open, ${LATEST} as version, ${held('e.campaign_id = p.id')} as same, ${held('o.exclusive_group = p.exclusive_group')} as group_taken,
       c.refused_at is not null or c.do_not_contact as refused, ${DATES} as dates
     from campaigns p, contacts c where p.id = $1 and c.id = $2`,
    [campaignId, contactId],
  );
  if (!request) return [];
  const version = (await readVersions(tx, [request.version])).get(request.version)!;
  const cause = causeToStayOut(request, version, contact);
  const because: Because = cause
    ? { why: 'not_enrolled', campaign: request.name, cause, ...(cause === 'not_followed_up' ? { stage: contact.stage } : {}) }
    : { why: 'arrived', campaign: request.name };
  const person = { id: contactId, time_zone: contact.timeZone, dates: request.dates };
  if (!cause) await insert(tx, accountId, [{ campaignId, version, because, person }], at);
  return [
    {
      contactId,
      userId: null,
      at,
      kind: cause ? 'held' : 'enrolled',
      channel: null,
      direction: null,
      data: { campaign: request.name, campaignId },
      because,
    },
  ];
}

function causeToStayOut(request: EnrollmentRequest, { plan }: Version, contact: Enrollee) {
  if (!request.open) return 'not_on';
  if (request.refused) return 'opted_out';
  if (stepOf(contact.stage) === 'archived') return 'not_followed_up';
  if (contact.onThePhone) return 'on_the_phone';
  if (!plan.anyStage && !['new', 'reaching'].includes(stepOf(contact.stage))) return 'not_followed_up';
  if (request.same) return 'already_in';
  return request.group_taken ? 'other_campaign' : null;
}

interface Person {
  id: string;
  time_zone: string;
  dates: Dates | null;
}
interface Entry {
  campaignId: string;
  version: Version;
  because: Because;
  person: Person;
}

/** Begins campaigns for people, each at their own first instant; nobody comes twice. @returns the enrollments made */
async function insert(
  tx: Tx,
  accountId: string,
  entries: readonly Entry[],
  at: Date,
): Promise<{ id: string; contact_id: string }[]> {
  if (!entries.length) return [];
  const rows = entries.map(({ campaignId, version, because, person }) => {
    const first = firstDue(version, at, person.time_zone, person.dates ?? {});
    return {
      campaign_id: campaignId,
      version_id: version.id,
      contact_id: person.id,
      step: first?.step ?? -1,
      due: first?.at ?? at,
      because,
    };
  });
  return tx.rows(
    `insert into enrollments (account_id, campaign_id, version_id, contact_id, started_at, step, due_at, planned_at, because)
     select $1, x.campaign_id, x.version_id, x.contact_id, $2, x.step, x.due, x.due, x.because
     from jsonb_to_recordset($3::jsonb) as x (campaign_id bigint, version_id bigint, contact_id bigint, step int, due timestamptz, because jsonb)
     on conflict do nothing returning id, contact_id`,
    [accountId, at, JSON.stringify(rows)],
  );
}

/**
 * Why a contact `c` does not come into a campaign that may take people, in SQL; null for whoever does. An agent's own campaign is for
 * the agent's own contacts. For a rehearsal it need not be switched on.
 */
export const excludedBecause = (campaign: string, stages: string): string =>
  `case when c.do_not_contact then 'do_not_contact'
     when c.refused_at is not null then 'opted_out'
     when split_part(c.stage, '.', 1) <> all(${stages}::text[]) and not (select (v.plan->>'anyStage')::boolean from campaign_versions v where v.campaign_id = ${campaign} order by v.number desc limit 1) then 'not_followed_up'
     when split_part(c.stage, '.', 1) = 'archived' then 'not_followed_up'
     when exists (select 1 from campaigns p where p.id = ${campaign} and ${foreignTo('p', 'c')}) then 'not_yours'
     when exists (select 1 from enrollments e where e.contact_id = c.id and e.campaign_id = ${campaign} and e.state in ('active','paused')) then 'already_in'
     when exists (select 1 from enrollments e join campaigns o on o.id = e.campaign_id join campaigns p on p.id = ${campaign} where e.contact_id = c.id and e.state in ('active','paused') and o.exclusive_group = p.exclusive_group) then 'other_campaign' end`;
/** The same for a campaign that may be a draft or off, and then takes nobody. */
export const staysOut = (campaign: string, stages: string): string =>
  `case when not exists (select 1 from campaigns p where p.id = ${campaign} and ${OPEN}) then 'not_on' else ${excludedBecause(campaign, stages)} end`;

/**
 * Enrols those of the people for whom the campaign is and whom nothing keeps out.
 * @param choice whom a person of ours chose comes in whatever roles and conditions the campaign names
 * @returns the enrollments made, and what the timeline says of each
 */
export async function enrol(
  tx: Tx,
  accountId: string,
  campaignId: string,
  contactIds: readonly string[],
  because: Because,
  at: Date,
  choice: 'by_hand' | 'by_itself' = 'by_itself',
): Promise<{ made: { id: string; contact_id: string }[]; lines: Activity[] }> {
  const found = await tx.first<{ name: string; version: string; zone: string }>(
    `select p.name, ${LATEST} as version, a.time_zone as zone from campaigns p join accounts a on a.id = p.account_id where p.id = $1 and p.account_id = $2 and p.deleted_at is null`,
    [campaignId, accountId],
  );
  if (!found || !contactIds.length) return { made: [], lines: [] };
  const version = (await readVersions(tx, [found.version])).get(found.version)!;
  const bind: unknown[] = [contactIds, campaignId, [...FOLLOWED_UP]];
  const { roles, who } = version.plan;
  const own = choice === 'by_hand' ? [] : [...(roles.length ? [`c.roles && $${bind.push(roles)}::text[]`] : [])];
  if (choice === 'by_itself' && who)
    own.push(segmentSql(who, { zone: found.zone, at, fields: await listFields(accountId, tx), userId: null }, bind));
  const people = await tx.rows<Person>(
    `select c.id, c.time_zone, ${asksDates(version) ? DATES : 'null::jsonb'} as dates from contacts c join contact_facts f on f.contact_id = c.id
     where c.id = any($1::bigint[]) and c.deleted_at is null and (${staysOut('$2::bigint', '$3')}) is null ${own.map((sql) => `and (${sql})`).join(' ')} order by c.id for update of c`,
    bind,
  );
  const made = await insert(
    tx,
    accountId,
    people.map((person) => ({ campaignId, version, because, person })),
    at,
  );
  return {
    made,
    lines: made.map(({ contact_id }) => ({
      contactId: contact_id,
      userId: null,
      at,
      kind: 'enrolled',
      channel: null,
      direction: null,
      data: { campaign: found.name, campaignId },
      because,
    })),
  };
}

/** Stops one enrollment by hand. */
export async function stopEnrollment(principal: Principal, enrollmentId: string): Promise<void> {
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    const bind: unknown[] = [enrollmentId];
    const row = await tx.first<{ contact_id: string }>(
      `select e.contact_id from enrollments e join contacts c on c.id = e.contact_id where e.id = $1 and e.state in ('active','paused') and ${visible(scope, bind)}`,
      bind,
    );
    if (!row) throw notFound('enrollment under way');
    await lockContact(scope, row.contact_id, tx);
    const at = await now(tx);
    const by = principal.kind === 'user' ? fullName(principal.user) : 'a program';
    const stopped = await endFollowUp(tx, [{ contactId: row.contact_id, at, why: 'stopped_by', by, enrollmentId }]);
    await recordActivities(tx, scope.accountId, stopped);
  });
}
