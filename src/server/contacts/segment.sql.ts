/**
 * A segment as SQL over a contact aliased `c` with its facts aliased `f`. The same answers as `matches` in the core; a property test
 * draws random trees and holds the two against each other. Every value is bound.
 */
import { nameSql } from '../shared';
import { CHANNEL_KEYS, type Channel } from '@/core/contacts';
import {
  branchesOf,
  daySpan,
  isCondition,
  monthDays,
  plain,
  seenBy,
  spanDays,
  spanMs,
  subjectOf,
  type Condition,
  type FieldDef,
  type FieldKind,
  type Moment,
  type SubjectKey,
  type Tree,
} from '@/core/segments';
import { firstAddressSql, pointKind } from './addresses';

export interface SegmentContext extends Moment {
  fields: readonly FieldDef[];
  /** Who looks, for “mine”. */
  userId: string | null;
}

type Bind = unknown[];
const bound = (bind: Bind, value: unknown, type: string): string => `$${bind.push(value)}::${type}`;

/** The condition, with its values added to `bind`. */
export function segmentSql(tree: Tree, context: SegmentContext, bind: Bind): string {
  return branch(seenBy(tree, context.userId), context, bind);
}

function branch(tree: Tree, context: SegmentContext, bind: Bind): string {
  if (isCondition(tree)) return meets(tree, context, bind);
  const { how, trees } = branchesOf(tree);
  const parts = trees.map((one) => branch(one, context, bind));
  if (how === 'all') return parts.length ? `(${parts.join(' and ')})` : 'true';
  const any = parts.length ? `(${parts.join(' or ')})` : 'false';
  return how === 'any' ? any : `not coalesce(${any}, false)`;
}

function meets(condition: Condition, context: SegmentContext, bind: Bind): string {
  const subject = subjectOf(condition.on, context.fields);
  if (!subject) return 'false';
  const field = subject.key.startsWith('field:') ? context.fields.find(({ id }) => `field:${id}` === subject.key)! : null;
  const question = field ? fieldQuestion(field, bind) : (QUESTIONS as Partial<Record<string, Question>>)[subject.key];
  if (!question) return 'false';
  return ask(question, condition, context, bind);
}

/**
 * How a subject is asked in SQL: as a column or expression, or as rows that exist. `rarely` names a value that few have and a
 * condition, cheap by an index, that all of them meet: without it everybody would be asked.
 */
type Question =
  | { is: 'value'; sql: string; ids?: boolean; lower?: boolean; rarely?: { value: string; among: string } }
  | { is: 'set'; array: string }
  | { is: 'rows'; from: string; value: string; ids?: boolean; lower?: boolean }
  | { is: 'days'; from: string; value: string }
  | { is: 'flag'; sql: string };

const value = (sql: string, more: { ids?: boolean; lower?: boolean } = {}): Question => ({ is: 'value', sql, ...more });
const words = (sql: string): Question => value(`nullif(${sql}, '')`, { lower: true });
const flag = (sql: string): Question => ({ is: 'flag', sql });
const dates = (kind: string): Question => ({
  is: 'days',
  from: `contact_dates cd where cd.contact_id = c.id and cd.kind = '${kind}'`,
  value: 'cd.month_day',
});
const wantsNumber = (key: string): Question =>
  value(`case when jsonb_typeof(c.wants->'${key}') = 'number' then (c.wants->>'${key}')::float8 end`);
const wantsList = (key: string): Question => ({
  is: 'rows',
  from: `jsonb_array_elements_text(case when jsonb_typeof(c.wants->'${key}') = 'array' then c.wants->'${key}' else '[]'::jsonb end) w (v) where true`,
  value: 'w.v',
  lower: true,
});
/** What holds for a channel on the contact's first address. A no is rare and found from the ledger's side. */
const permissionState = (channel: Channel): Question => ({
  is: 'value',
  sql: `coalesce((select p.state from permissions p where p.account_id = c.account_id and p.channel = '${channel}' and p.address = ${firstAddressSql(channel)}), 'unknown')`,
  rarely: {
    value: 'withdrawn',
    among: pointKind(channel)
      ? `c.id in (select np.contact_id from permissions no join contact_points np on np.account_id = no.account_id and np.kind = '${pointKind(channel)}' and np.value = no.address and np.active
             where no.channel = '${channel}' and no.state = 'withdrawn')`
      : `c.id in (select substr(no.address, 8)::bigint from permissions no where no.channel = '${channel}' and no.state = 'withdrawn')`,
  },
});
const hasPoint = (kind: string): Question =>
  flag(`exists (select 1 from contact_points cp where cp.contact_id = c.id and cp.active and cp.kind = '${kind}')`);

const permissions = Object.fromEntries(CHANNEL_KEYS.map((channel) => [`may_${channel}`, permissionState(channel)])) as Record<
  `may_${Channel}`,
  Question
>;
const QUESTIONS: Record<SubjectKey, Question> = {
  role: { is: 'set', array: 'c.roles' },
  tag: {
    is: 'rows',
    from: 'contact_tags ct join tags t on t.id = ct.tag_id and t.deleted_at is null where ct.contact_id = c.id',
    value: 'ct.tag_id',
    ids: true,
  },
  name: words(`${nameSql('c')}`),
  company: words('c.company'),
  has_phone: hasPoint('phone'),
  has_email: hasPoint('email'),
  has_address: flag(`coalesce(c.street, '') <> ''`),
  in_household: flag('c.household_id is not null'),
  do_not_contact: flag('c.do_not_contact'),
  ...permissions,
  stage: value('c.stage'),
  stage_since: value('c.stage_since'),
  horizon: value('c.horizon'),
  owner: value('c.owner_id', { ids: true }),
  roster: { is: 'rows', from: 'roster_members rm where rm.user_id = c.owner_id', value: 'rm.roster_id', ids: true },
  source: words('c.source'),
  door: { is: 'rows', from: 'inquiries i where i.contact_id = c.id', value: 'i.door_id', ids: true },
  created: value('c.created_at'),
  town: words('c.city'),
  postal_code: words('c.postal_code'),
  street: words('c.street'),
  wants_price_max: wantsNumber('price_max'),
  wants_price_min: wantsNumber('price_min'),
  wants_bedrooms: wantsNumber('bedrooms'),
  wants_bathrooms: wantsNumber('bathrooms'),
  wants_area: wantsList('areas'),
  wants_kind: wantsList('kinds'),
  wants_feature: wantsList('features'),
  wants_words: words(`c.wants->>'words'`),
  inquiries: value('f.inquiries'),
  last_inquiry: value('f.last_inquiry_at'),
  first_inquiry: value('f.first_inquiry_at'),
  campaign: {
    is: 'rows',
    from: `enrollments e where e.contact_id = c.id and e.state in ('active','paused')`,
    value: 'e.campaign_id',
    ids: true,
  },
  campaign_ever: { is: 'rows', from: 'enrollments e where e.contact_id = c.id', value: 'e.campaign_id', ids: true },
  next_touch: value('c.next_touch_at'),
  last_touch: value('f.last_touch_at'),
  /** Depends on now, see `overdue`. */
  overdue: flag('false'),
  hand_raised: flag('c.hand_raised_at is not null'),
  attempts: value('f.attempts'),
  last_attempt: value('f.last_attempt_at'),
  reached: value('f.reached'),
  last_reached: value('f.last_reached_at'),
  conversations: value('f.conversations'),
  last_conversation: value('f.last_conversation_at'),
  talk_minutes: value('f.talk_seconds / 60.0'),
  first_call_delay: value('extract(epoch from f.first_attempt_at - f.first_inquiry_at) / 60'),
  calls_in: value('f.calls_in'),
  last_call_in: value('f.last_call_in_at'),
  texts_out: value('f.texts_out'),
  texts_in: value('f.texts_in'),
  emails_out: value('f.emails_out'),
  emails_in: value('f.emails_in'),
  emails_opened: value('f.emails_opened'),
  last_opened: value('f.last_opened_at'),
  letters_out: value('f.letters_out'),
  last_answer: value('f.last_in_at'),
  visits: value('f.visits'),
  last_visit: value('f.last_visit_at'),
  saved_homes: value('f.saved_homes'),
  last_saved: value('f.last_saved_at'),
  birthday: dates('birthday'),
  closing: dates('closing'),
  wedding: dates('wedding'),
  other_date: dates('other'),
};

function fieldQuestion(field: FieldDef, bind: Bind): Question {
  const mine = `fv.contact_id = c.id and fv.field_id = ${bound(bind, field.id, 'bigint')}`;
  const single = (column: string) => `(select fv.${column} from field_values fv where ${mine} order by fv.ordinal limit 1)`;
  const asked: Record<FieldKind, () => Question> = {
    text: () => words(single('words')),
    choice: () => words(single('words')),
    choices: () => ({ is: 'rows', from: `field_values fv where ${mine}`, value: 'fv.words', lower: true }),
    number: () => value(single('number')),
    money: () => value(single('number')),
    date: () => value(`(${single('day')}::timestamp at time zone 'UTC')`),
    yearly: () => ({ is: 'days', from: `field_values fv where ${mine}`, value: 'fv.month_day' }),
    flag: () => flag(`exists (select 1 from field_values fv where ${mine} and fv.number = 1)`),
    contact: () => value(single('linked_id'), { ids: true }),
  };
  return asked[field.kind]();
}

const idsOf = (list: string[]): string[] => [...new Set(list.filter((id) => /^\d{1,18}$/.test(id)))];

function ask(question: Question, condition: Condition, context: SegmentContext, bind: Bind): string {
  if (condition.how === 'yes' || condition.how === 'no') {
    const sql = condition.on === 'overdue' ? overdue(context, bind) : question.is === 'flag' ? question.sql : 'false';
    return condition.how === 'yes' ? sql : `not coalesce(${sql}, false)`;
  }
  switch (question.is) {
    case 'flag':
      return 'false';
    case 'set':
      return askSet(question.array, condition, bind);
    case 'rows':
      return askRows(question, condition, bind);
    case 'days':
      if (condition.how === 'known') return `exists (select 1 from ${question.from})`;
      if (condition.how === 'unknown') return `not exists (select 1 from ${question.from})`;
      if (condition.how !== 'coming') return 'false';
      return `exists (select 1 from ${question.from} and ${question.value} = any(${bound(bind, monthDays(context.at, context.zone, spanDays(condition.n, condition.unit)), 'int[]')}))`;
    case 'value':
      return askValue(question, condition, context, bind);
  }
}

const overdue = ({ at }: SegmentContext, bind: Bind): string => `c.next_touch_at < ${bound(bind, at, 'timestamptz')}`;

function askSet(array: string, condition: Condition, bind: Bind): string {
  switch (condition.how) {
    case 'any':
      return `${array} && ${bound(bind, condition.of.map(plain), 'text[]')}`;
    case 'all':
      return `${array} @> ${bound(bind, condition.of.map(plain), 'text[]')}`;
    case 'none':
      return `not ${array} && ${bound(bind, condition.of.map(plain), 'text[]')}`;
    case 'known':
      return `${array} <> '{}'`;
    default:
      return `${array} = '{}'`;
  }
}

function askRows(
  { from, value: column, ids, lower }: Extract<Question, { is: 'rows' }>,
  condition: Condition,
  bind: Bind,
): string {
  if (condition.how === 'known') return `exists (select 1 from ${from})`;
  if (condition.how === 'unknown') return `not exists (select 1 from ${from})`;
  if (!('of' in condition)) return 'false';
  const asked = ids ? idsOf(condition.of) : [...new Set(condition.of.map(plain))];
  if (condition.how === 'all' && asked.length < new Set(condition.of.map(plain)).size) return 'false';
  const compared = lower ? `lower(${column})` : column;
  /* Each by itself: an index finds those who have it, and counting would ask everybody. */
  const has = (holds: string) => `exists (select 1 from ${from} and ${holds})`;
  if (condition.how === 'all') {
    const each = asked.map((one) => has(`${compared} = ${bound(bind, one, ids ? 'bigint' : 'text')}`));
    /* Of nothing everybody has all; what `from` has bound must stand in the statement nevertheless. */
    return each.length ? `(${each.join(' and ')})` : `not ${has('false')}`;
  }
  const list = bound(bind, asked, ids ? 'bigint[]' : 'text[]');
  const any = has(`${compared} = any(${list})`);
  return condition.how === 'none' ? `not ${any}` : any;
}

type How<H extends Condition['how']> = Extract<Condition, { how: H }>;
function askValue(
  question: Extract<Question, { is: 'value' }>,
  condition: Condition,
  context: SegmentContext,
  bind: Bind,
): string {
  const { sql } = question;
  switch (condition.how) {
    case 'known':
      return `${sql} is not null`;
    case 'unknown':
      return `${sql} is null`;
    case 'any':
    case 'none':
      return askAmong(question, condition, bind);
    case 'between': {
      const { from, to } = condition;
      const bounds = {
        from: from == null ? null : bound(bind, from, 'float8'),
        to: to == null ? null : bound(bind, to, 'float8'),
      };
      return span(sql, bounds.from && `>= ${bounds.from}`, bounds.to && `<= ${bounds.to}`);
    }
    case 'contains':
    case 'begins':
    case 'is':
      return askWords(sql, condition, bind);
    default:
      return askInstant(sql, condition, context, bind);
  }
}

/** A value that is known, with what holds of it. */
const span = (sql: string, ...holds: (string | null)[]): string =>
  `(${[`${sql} is not null`, ...holds.filter((one) => one !== null).map((one) => `${sql} ${one}`)].join(' and ')})`;

function askAmong(
  { sql, ids, lower, rarely }: Extract<Question, { is: 'value' }>,
  condition: How<'any' | 'none' | 'all'>,
  bind: Bind,
): string {
  const asked = ids ? idsOf(condition.of) : condition.of.map(plain);
  const any = `${lower ? `lower(${sql})` : sql} = any(${bound(bind, asked, ids ? 'bigint[]' : 'text[]')})`;
  if (condition.how === 'none') return `not coalesce(${any}, false)`;
  return rarely && asked.every((one) => one === rarely.value) ? `(${rarely.among} and ${any})` : any;
}

function askWords(sql: string, { how, text }: How<'contains' | 'begins' | 'is'>, bind: Bind): string {
  if (how === 'is') return `lower(${sql}) = ${bound(bind, plain(text), 'text')}`;
  const escaped = plain(text).replace(/[\\%_]/g, '\\$&');
  return `lower(${sql}) like ${bound(bind, how === 'begins' ? `${escaped}%` : `%${escaped}%`, 'text')}`;
}

/** Instants, counted from the one at which it is asked. */
function askInstant(sql: string, condition: Condition, { at, zone }: SegmentContext, bind: Bind): string {
  const instant = (ms: number) => bound(bind, new Date(ms), 'timestamptz');
  const now = at.getTime();
  switch (condition.how) {
    case 'within':
    case 'not_within': {
      const within = `(${sql} >= ${instant(now - spanMs(condition.n, condition.unit))} and ${sql} <= ${instant(now)})`;
      return condition.how === 'within' ? within : `not coalesce(${within}, false)`;
    }
    case 'longer_ago':
      return `${sql} < ${instant(now - spanMs(condition.n, condition.unit))}`;
    case 'coming':
      return `(${sql} >= ${instant(now)} and ${sql} <= ${instant(now + spanMs(condition.n, condition.unit))})`;
    case 'on_days': {
      const { from, before } = daySpan(condition.from, condition.to, zone);
      return span(sql, from && `>= ${instant(from.getTime())}`, before && `< ${instant(before.getTime())}`);
    }
    default:
      return 'false';
  }
}
