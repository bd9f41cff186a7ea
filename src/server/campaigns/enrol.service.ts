/** Enrolling contacts and stopping by hand. One contact is in a campaign at most once at a time, and in one campaign of an exclusive group. */
import { foreignTo } from './rights.sql';
import { notFound } from '@/core/shared';
import { fullName, scopeFor, type Principal } from '@/core/accounts';
import { firstDue, type TouchedContact } from '@/core/campaigns';
import { FOLLOWED_UP, stepOf, type Activity, type Because, type Stage } from '@/core/contacts';
import { endFollowUp, listFields, lockContact, recordActivities, segmentSql, visible } from '../contacts';
import { now, Statement, transact, type Tx } from '../shared';
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

/** Somebody whose inquiry arrived, and the campaign that is for them. */
export interface Arrived {
  campaignId: string;
  contact: Enrollee;
  /** Made just now, and in no campaign: nothing need be asked of the person. */
  fresh?: boolean;
}

/** How a campaign stands for whoever may come into it. */
export interface CampaignNow {
  id: string;
  name: string;
  /** Whether it takes people. */
  open: boolean;
  version: string;
}
const OPEN = `p.state in ('on','held') and p.deleted_at is null`;
/** How campaigns stand, as one expression of SQL: their ids, bound. What it answers are {@link CampaignNow}. */
export const CAMPAIGNS_NOW = (ids: string): string =>
  `(select coalesce(jsonb_agg(jsonb_build_object('id', p.id::text, 'name', p.name, 'open', ${OPEN}, 'version', ${LATEST}::text)), '[]') from campaigns p where p.id = any(${ids}::bigint[]))`;

interface EnrollmentRequest extends Pick<CampaignNow, 'name' | 'open' | 'version'> {
  same: boolean;
  group_taken: boolean;
  /** They told us to stop. */
  refused: boolean;
  dates: Dates | null;
}

/** Whether somebody is in a campaign now; with a limit, so that it is looked up for each and not read for all. */
const held = (which: string): string =>
  `coalesce((select true from enrolments e join campaigns o on o.id = e.campaign_id where e.contact_id = x.contact_id and e.state in ('active','paused') and ${which} limit 1), false)`;

/** Who is to come into which campaign, and a line for the timeline about each who was meant, so that nobody wonders. */
export interface Enrolling {
  entries: Entry[];
  lines: Activity[];
}

/** Enrols contacts whose inquiries arrived, each unless somebody works with them already. @returns the lines of the timeline */
export async function enrolArrivals(tx: Tx, accountId: string, arrived: readonly Arrived[], at: Date): Promise<Activity[]> {
  const { entries, lines } = await chooseArrivals(tx, arrived, at);
  await insert(tx, accountId, entries, at);
  return lines;
}

/**
 * Which of the contacts whose inquiries arrived come into their campaigns. Reads, and writes nothing.
 * @param current how campaigns stand, for those who are fresh; what is not among them is asked
 */
export async function chooseArrivals(
  tx: Tx,
  arrived: readonly Arrived[],
  at: Date,
  current: readonly CampaignNow[] = [],
): Promise<Enrolling> {
  const requests = arrived.map(({ campaignId, fresh }): EnrollmentRequest | null => {
    const campaign = fresh ? current.find(({ id }) => id === campaignId) : undefined;
    return campaign ? { ...campaign, same: false, group_taken: false, refused: false, dates: null } : null;
  });
  if (requests.includes(null)) await askFor(tx, arrived, requests);
  const versions = await readVersions(
    tx,
    requests.flatMap((row) => row?.version ?? []),
  );
  const entries: Entry[] = [];
  const lines = arrived.flatMap(({ campaignId, contact }, n): Activity[] => {
    const row = requests[n];
    if (!row) return [];
    const version = versions.get(row.version)!;
    const cause = causeToStayOut(row, version, contact);
    const because: Because = cause
      ? { why: 'not_enrolled', campaign: row.name, cause, ...(cause === 'stage' ? { stage: contact.stage } : {}) }
      : { why: 'arrived', campaign: row.name };
    if (!cause)
      entries.push({
        campaignId,
        version,
        because,
        person: { id: contact.contactId, time_zone: contact.timeZone, dates: row.dates },
      });
    return [
      {
        contactId: contact.contactId,
        userId: null,
        at,
        kind: cause ? 'held' : 'enrolled',
        channel: null,
        direction: null,
        data: { campaign: row.name, campaignId },
        because,
      },
    ];
  });
  return { entries, lines };
}

/** Fills in what is not known yet, in one statement. */
async function askFor(tx: Tx, arrived: readonly Arrived[], requests: (EnrollmentRequest | null)[]): Promise<void> {
  const missing = arrived.flatMap(({ campaignId, contact: { contactId } }, n) =>
    requests[n] ? [] : [{ n, campaign_id: campaignId, contact_id: contactId }],
  );
  const rows = await tx.rows<EnrollmentRequest & { n: number }>(
    `select x.n, p.name, ${OPEN} as open, ${LATEST} as version,
       ${held('e.campaign_id = p.id')} as same, ${held('o.exclusive_group = p.exclusive_group')} as group_taken,
       (select c.refused_at is not null or c.do_not_contact from contacts c where c.id = x.contact_id) as refused,
       (select ${DATES} from contacts c where c.id = x.contact_id) as dates
     from jsonb_to_recordset($1::jsonb) as x (n int, campaign_id bigint, contact_id bigint) join campaigns p on p.id = x.campaign_id`,
    [JSON.stringify(missing)],
  );
  for (const { n, ...row } of rows) requests[n] = row;
}

function causeToStayOut(request: EnrollmentRequest, { plan }: Version, contact: Enrollee) {
  if (!request.open) return 'not_on';
  if (request.refused) return 'opted_out';
  if (stepOf(contact.stage) === 'archived') return 'stage';
  if (contact.onThePhone) return 'on_the_phone';
  if (!plan.anyStage && !['new', 'reaching'].includes(stepOf(contact.stage))) return 'stage';
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

/** Adds to a statement that campaigns begin for people, each at their own first instant, as its part `enrolled`. Nobody comes twice. */
export function putEnrollments(statement: Statement, accountId: string, entries: readonly Entry[], at: Date): void {
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
  statement.part(
    'enrolled',
    `(insert into enrolments (account_id, campaign_id, version_id, contact_id, started_at, step, due_at, planned_at, because)
       select ${statement.value(accountId)}::bigint, x.campaign_id, x.version_id, x.contact_id, ${statement.value(at)}::timestamptz, x.step, x.due, x.due, x.because
       from jsonb_to_recordset(${statement.json(rows)}) as x (campaign_id bigint, version_id bigint, contact_id bigint, step int, due timestamptz, because jsonb)
       on conflict do nothing returning id, contact_id)`,
  );
}

/** Begins campaigns for people. @returns the enrolments made */
async function insert(
  tx: Tx,
  accountId: string,
  entries: readonly Entry[],
  at: Date,
): Promise<{ id: string; contact_id: string }[]> {
  if (!entries.length) return [];
  const statement = new Statement();
  putEnrollments(statement, accountId, entries, at);
  return statement.rows(tx, 'select id, contact_id from enrolled');
}

/**
 * Why a contact `c` does not come into a campaign that may take people, in SQL; null for whoever does. An agent's own campaign is for
 * the agent's own contacts. For a rehearsal it need not be switched on.
 */
export const keptOut = (campaign: string, stages: string): string =>
  `case when c.do_not_contact then 'do_not_contact'
     when c.refused_at is not null then 'opted_out'
     when split_part(c.stage, '.', 1) <> all(${stages}::text[]) and not (select (v.plan->>'anyStage')::boolean from campaign_versions v where v.campaign_id = ${campaign} order by v.number desc limit 1) then 'worked_with'
     when split_part(c.stage, '.', 1) = 'archived' then 'worked_with'
     when exists (select 1 from campaigns p where p.id = ${campaign} and ${foreignTo('p', 'c')}) then 'not_yours'
     when exists (select 1 from enrolments e where e.contact_id = c.id and e.campaign_id = ${campaign} and e.state in ('active','paused')) then 'in_already'
     when exists (select 1 from enrolments e join campaigns o on o.id = e.campaign_id join campaigns p on p.id = ${campaign} where e.contact_id = c.id and e.state in ('active','paused') and o.exclusive_group = p.exclusive_group) then 'other_campaign' end`;
/** The same for a campaign that may be a draft or off, and then takes nobody. */
export const staysOut = (campaign: string, stages: string): string =>
  `case when not exists (select 1 from campaigns p where p.id = ${campaign} and ${OPEN}) then 'not_on' else ${keptOut(campaign, stages)} end`;

/**
 * Enrols those of the people for whom the campaign is and whom nothing keeps out.
 * @param choice whom a person of ours chose comes in whatever roles and conditions the campaign names
 * @returns the enrolments made, and what the timeline says of each
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

/** Stops one enrolment by hand. */
export async function stopEnrollment(principal: Principal, enrolmentId: string): Promise<void> {
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    const bind: unknown[] = [enrolmentId];
    const row = await tx.first<{ contact_id: string }>(
      `select e.contact_id from enrolments e join contacts c on c.id = e.contact_id where e.id = $1 and e.state in ('active','paused') and ${visible(scope, bind)}`,
      bind,
    );
    if (!row) throw notFound('enrolment under way');
    await lockContact(scope, row.contact_id, tx);
    const at = await now(tx);
    const by = principal.kind === 'user' ? fullName(principal.user) : 'a program';
    const stopped = await endFollowUp(tx, [{ contactId: row.contact_id, at, why: 'stopped_by', by, enrolmentId }]);
    await recordActivities(tx, scope.accountId, stopped);
  });
}
