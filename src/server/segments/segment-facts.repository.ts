/** What is known of contacts, for reading a segment in memory: the rows as they stand, made into values here and not in SQL. */
import { CHANNEL_KEYS, type Facts } from '@/core/contacts';
import type { Known } from '@/core/segments';
import { type PermissionDetail, addressesOf, factsOfRow, lettersTo, permissionFor, readPermissions } from '../contacts';
import { inTurn, reader, type Tx } from '../shared';

interface Raw extends Record<string, unknown> {
  id: string;
  account_id: string;
  first_name: string;
  last_name: string;
  company: string | null;
  stage: string;
  stage_since: Date;
  horizon: string | null;
  roles: string[];
  owner_id: string | null;
  source: string | null;
  street: string | null;
  city: string | null;
  postal_code: string | null;
  wants: Record<string, unknown>;
  do_not_contact: boolean;
  household_id: string | null;
  hand_raised_at: Date | null;
  next_touch_at: Date | null;
  created_at: Date;
}
interface FieldValue {
  contact_id: string;
  field_id: string;
  kind: string;
  words: string | null;
  number: string | null;
  day: string | null;
  month_day: number | null;
  linked_id: string | null;
}

/** What of a contact stands in tables of its own. */
type Rows = Awaited<ReturnType<typeof readRows>>;

async function readRows(tx: Tx, ids: string[]) {
  const [contacts, tags, points, doors, rosters, enrollments, dates, values] = await Promise.all([
    tx.rows<Raw>('select c.*, f.* from contacts c join contact_facts f on f.contact_id = c.id where c.id = any($1::bigint[])', [
      ids,
    ]),
    tx.rows<{ contact_id: string; tag_id: string }>(
      'select ct.contact_id, ct.tag_id from contact_tags ct join tags t on t.id = ct.tag_id where ct.contact_id = any($1::bigint[]) and t.deleted_at is null',
      [ids],
    ),
    tx.rows<{ contact_id: string; kind: string; value: string }>(
      'select contact_id, kind, value from contact_points where contact_id = any($1::bigint[]) and active order by position, id',
      [ids],
    ),
    tx.rows<{ contact_id: string; door_id: string }>(
      'select contact_id, door_id from inquiries where contact_id = any($1::bigint[])',
      [ids],
    ),
    tx.rows<{ user_id: string; roster_id: string }>('select user_id, roster_id from roster_members', []),
    tx.rows<{ contact_id: string; campaign_id: string; state: string }>(
      'select contact_id, campaign_id, state from enrollments where contact_id = any($1::bigint[])',
      [ids],
    ),
    tx.rows<{ contact_id: string; kind: string; month_day: number }>(
      'select contact_id, kind, month_day from contact_dates where contact_id = any($1::bigint[])',
      [ids],
    ),
    tx.rows<FieldValue>(
      'select v.contact_id, v.field_id, d.kind, v.words, v.number, v.day::text as day, v.month_day, v.linked_id from field_values v join fields d on d.id = v.field_id and d.deleted_at is null where v.contact_id = any($1::bigint[]) order by v.ordinal',
      [ids],
    ),
  ]);
  return { contacts, tags, points, doors, rosters, enrollments, dates, values };
}

/** Reads contacts for `matches`. @returns by contact id */
export async function readKnown(accountId: string, ids: string[], at: Date, within?: Tx): Promise<Map<string, Known>> {
  const tx = within ? inTurn(within) : reader();
  const rows = await readRows(tx, ids);
  const permissions = await readPermissions(tx, accountId, [
    ...new Set(rows.points.map(({ value }) => value)),
    ...ids.map(lettersTo),
  ]);
  return new Map(
    rows.contacts.map((row) => {
      const values: Record<string, ReturnType<Known>> = {
        ...ownValues(row, at),
        ...linkedValues(row, rows),
        ...permissionValues(row, rows, permissions),
        ...wantsOf(row.wants),
        ...factValues(factsOfRow(row)),
        ...fieldValues(rows.values.filter((one) => one.contact_id === row.id)),
      };
      return [row.id, (subject: string) => values[subject] ?? null];
    }),
  );
}

const ownValues = (row: Raw, at: Date): Record<string, ReturnType<Known>> => ({
  role: row.roles,
  name: `${row.first_name} ${row.last_name}`.trim(),
  company: row.company,
  has_address: Boolean(row.street),
  in_household: row.household_id !== null,
  do_not_contact: row.do_not_contact,
  stage: row.stage,
  stage_since: row.stage_since,
  horizon: row.horizon,
  owner: row.owner_id,
  source: row.source,
  created: row.created_at,
  town: row.city,
  postal_code: row.postal_code,
  street: row.street,
  next_touch: row.next_touch_at,
  overdue: row.next_touch_at !== null && row.next_touch_at < at,
  hand_raised: row.hand_raised_at !== null,
});

function linkedValues(row: Raw, rows: Rows): Record<string, ReturnType<Known>> {
  const own = <T extends { contact_id: string }>(all: T[]): T[] => all.filter(({ contact_id }) => contact_id === row.id);
  const dated = (kind: string) =>
    own(rows.dates)
      .filter((date) => date.kind === kind)
      .map((date) => date.month_day);
  const enrollments = own(rows.enrollments);
  const kinds = new Set(own(rows.points).map(({ kind }) => kind));
  return {
    tag: own(rows.tags).map(({ tag_id }) => tag_id),
    has_phone: kinds.has('phone'),
    has_email: kinds.has('email'),
    roster: rows.rosters.filter((member) => member.user_id === row.owner_id).map(({ roster_id }) => roster_id),
    door: own(rows.doors).map(({ door_id }) => door_id),
    campaign: enrollments.filter(({ state }) => state === 'active' || state === 'paused').map(({ campaign_id }) => campaign_id),
    campaign_ever: enrollments.map(({ campaign_id }) => campaign_id),
    birthday: dated('birthday'),
    closing: dated('closing'),
    wedding: dated('wedding'),
    other_date: dated('other'),
  };
}

/** `may_call`, `may_text` …: what holds for the first address of each channel. */
function permissionValues(row: Raw, { points }: Rows, permissions: PermissionDetail[]): Record<string, ReturnType<Known>> {
  const all = (kind: string) =>
    points.filter((point) => point.contact_id === row.id && point.kind === kind).map(({ value }) => value);
  const contact = { id: row.id, phones: all('phone'), emails: all('email') };
  return Object.fromEntries(
    CHANNEL_KEYS.map((channel) => [
      `may_${channel}`,
      permissionFor(permissions, channel, addressesOf(channel, contact)[0]).state,
    ]),
  );
}

function wantsOf(wants: Record<string, unknown>): Record<string, ReturnType<Known>> {
  const number = (key: string) => (typeof wants[key] === 'number' ? wants[key] : null);
  const list = (key: string) => (Array.isArray(wants[key]) ? (wants[key] as unknown[]).map(String) : []);
  return {
    wants_price_max: number('price_max'),
    wants_price_min: number('price_min'),
    wants_bedrooms: number('bedrooms'),
    wants_bathrooms: number('bathrooms'),
    wants_area: list('areas'),
    wants_kind: list('kinds'),
    wants_feature: list('features'),
    wants_words: typeof wants.words === 'string' ? wants.words : null,
  };
}

const factValues = (facts: Facts): Record<string, ReturnType<Known>> => ({
  inquiries: facts.inquiries,
  last_inquiry: facts.lastInquiryAt,
  first_inquiry: facts.firstInquiryAt,
  last_touch: facts.lastTouchAt,
  attempts: facts.attempts,
  last_attempt: facts.lastAttemptAt,
  reached: facts.reached,
  last_reached: facts.lastReachedAt,
  conversations: facts.conversations,
  last_conversation: facts.lastConversationAt,
  talk_minutes: facts.talkSeconds / 60,
  first_call_delay:
    facts.firstAttemptAt && facts.firstInquiryAt
      ? (facts.firstAttemptAt.getTime() - facts.firstInquiryAt.getTime()) / 60_000
      : null,
  calls_in: facts.callsIn,
  last_call_in: facts.lastCallInAt,
  texts_out: facts.textsOut,
  texts_in: facts.textsIn,
  emails_out: facts.emailsOut,
  emails_in: facts.emailsIn,
  emails_opened: facts.emailsOpened,
  last_opened: facts.lastOpenedAt,
  letters_out: facts.lettersOut,
  last_answer: facts.lastInAt,
  visits: facts.visits,
  last_visit: facts.lastVisitAt,
  saved_homes: facts.savedHomes,
  last_saved: facts.lastSavedAt,
});

function fieldValues(values: FieldValue[]): Record<string, ReturnType<Known>> {
  const known: Record<string, ReturnType<Known>> = {};
  for (const value of values) {
    const key = `field:${value.field_id}`;
    if (value.kind === 'choices') known[key] = [...((known[key] as string[] | undefined) ?? []), value.words ?? ''];
    else if (value.kind === 'yearly') known[key] = [...((known[key] as number[] | undefined) ?? []), value.month_day ?? 0];
    else if (value.kind === 'number' || value.kind === 'money')
      known[key] ??= value.number === null ? null : Number(value.number);
    else if (value.kind === 'flag') known[key] = Number(value.number) === 1;
    else if (value.kind === 'date') known[key] ??= value.day ? new Date(`${value.day}T00:00:00Z`) : null;
    else known[key] ??= value.kind === 'contact' ? value.linked_id : value.words;
  }
  return known;
}
