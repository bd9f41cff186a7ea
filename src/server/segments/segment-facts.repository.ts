/** What is known of contacts, for reading a segment in memory: the rows as they stand, made into values here and not in SQL. */
import type { Facts } from '@/core/contacts';
import type { Known } from '@/core/segments';
import { factsOfRow, lettersTo, permissionFor, readPermissions } from '../contacts';
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

/** Reads contacts for `matches`. @returns by contact id */
export async function readKnown(accountId: string, ids: string[], at: Date, within?: Tx): Promise<Map<string, Known>> {
  const tx = within ? inTurn(within) : reader();
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
  const permissions = await readPermissions(tx, accountId, [...new Set(points.map(({ value }) => value)), ...ids.map(lettersTo)]);
  const of = <T extends { contact_id: string }>(rows: T[], id: string) => rows.filter((row) => row.contact_id === id);
  return new Map(
    contacts.map((row) => {
      const mine = of(points, row.id);
      const first = (kind: string) => mine.find((point) => point.kind === kind)?.value;
      const dated = (kind: string) =>
        of(dates, row.id)
          .filter((date) => date.kind === kind)
          .map((date) => date.month_day);
      const plain: Record<string, ReturnType<Known>> = {
        role: row.roles,
        tag: of(tags, row.id).map(({ tag_id }) => tag_id),
        name: `${row.first_name} ${row.last_name}`.trim(),
        company: row.company,
        has_phone: first('phone') !== undefined,
        has_email: first('email') !== undefined,
        has_address: Boolean(row.street),
        in_household: row.household_id !== null,
        do_not_contact: row.do_not_contact,
        may_call: permissionFor(permissions, 'call', first('phone')).state,
        may_text: permissionFor(permissions, 'text', first('phone')).state,
        may_email: permissionFor(permissions, 'email', first('email')).state,
        may_letter: permissionFor(permissions, 'letter', lettersTo(row.id)).state,
        stage: row.stage,
        stage_since: row.stage_since,
        horizon: row.horizon,
        owner: row.owner_id,
        roster: rosters.filter((member) => member.user_id === row.owner_id).map(({ roster_id }) => roster_id),
        source: row.source,
        door: of(doors, row.id).map(({ door_id }) => door_id),
        created: row.created_at,
        town: row.city,
        postal_code: row.postal_code,
        street: row.street,
        campaign: of(enrollments, row.id)
          .filter(({ state }) => state === 'active' || state === 'paused')
          .map(({ campaign_id }) => campaign_id),
        campaign_ever: of(enrollments, row.id).map(({ campaign_id }) => campaign_id),
        next_touch: row.next_touch_at,
        overdue: row.next_touch_at !== null && row.next_touch_at < at,
        hand_raised: row.hand_raised_at !== null,
        birthday: dated('birthday'),
        closing: dated('closing'),
        wedding: dated('wedding'),
        other_date: dated('other'),
        ...wantsOf(row.wants),
        ...factValues(factsOfRow(row)),
        ...fieldValues(of(values, row.id)),
      };
      return [row.id, (subject: string) => plain[subject] ?? null];
    }),
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
