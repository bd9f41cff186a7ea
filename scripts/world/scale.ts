/**
 * The demo world at full size: the small world copied until there are half a million contacts with five million activities, each
 * copy with names, addresses and numbers of its own. Set-based, one copy a transaction, indexes that cost most made at the end.
 */
import { writeSearch } from '@/server/contacts';
import { reader, transact, type Tx } from '@/server/shared';

const WANTED = 500_000;
/** Indexes that are made again when everything is there: keeping them up row by row costs more than the rest. */
const LATE: [string, string][] = [
  [
    'contact_search_trigram',
    'create index contact_search_trigram on contact_search using gin (search_text gin_trgm_ops) with (gin_pending_list_limit = 512)',
  ],
  ['activities_timeline', 'create index activities_timeline on activities (contact_id, at desc, id desc)'],
];

/** Beginnings that make many last names out of the county's few, so that half a million people are not all called alike. */
const BEGINNINGS = [
  '',
  'Ash',
  'Wood',
  'Stone',
  'Lang',
  'Ber',
  'Kil',
  'Mor',
  'Tor',
  'Vin',
  'Hal',
  'Dun',
  'Fen',
  'Gal',
  'Har',
  'Iver',
  'Jar',
  'Kel',
  'Lor',
  'Mal',
];
const lastName = (alias: string, k: number): string => {
  const beginning = BEGINNINGS[k % BEGINNINGS.length]!;
  return beginning ? `'${beginning}' || lower(${alias}.last_name)` : `${alias}.last_name`;
};

export async function scaleWorld(say: (text: string) => void): Promise<void> {
  const size = (await reader().first<{ n: number; top: number }>(
    'select count(*)::int as n, max(id)::int as top from contacts',
  ))!;
  const copies = Math.ceil(WANTED / size.n) - 1;
  for (const [name] of LATE) await reader().run(`drop index if exists ${name}`);
  for (let k = 1; k <= copies; k += 1) {
    await transact((tx) => copy(tx, k, size.top));
    if (k % 10 === 0 || k === copies) say(`  ${Math.min(WANTED, (k + 1) * size.n).toLocaleString('en-US')} contacts`);
  }
  say('  indexes …');
  for (const [, statement] of LATE) await reader().run(statement);
  for (const table of ['contacts', 'inquiries', 'calls', 'tasks', 'enrollments', 'activities', 'contact_points', 'contact_dates'])
    await reader().run(`select setval(pg_get_serial_sequence('${table}', 'id'), (select max(id) from ${table}))`);
  await reader().run('analyze');
}

/** One more copy of the small world; contact `id` of copy `k` is the small one's id plus `k` times its size. */
async function copy(tx: Tx, k: number, top: number): Promise<void> {
  const small = `id <= ${top}`;
  const area = 205 + (k % 700);
  const of = (column: string) => `${column} + ${k * top}`;
  await tx.run(
    `insert into contacts (id, account_id, office_id, owner_id, first_name, last_name, stage, stage_since, archived_because, horizon, roles, source, time_zone, street, city, postal_code, wants, do_not_contact, hand_raised_at, last_touch_at, next_touch_at, next_touch_kind, owned_since, created_at, updated_at, company, region)
     overriding system value select ${of('c.id')}, c.account_id, c.office_id, c.owner_id, c.first_name, ${lastName('n', k)}, c.stage, c.stage_since, c.archived_because, c.horizon, c.roles, c.source, c.time_zone, c.street, c.city, '987' || lpad(((c.id * 31 + ${k}) % 100)::text, 2, '0'), c.wants, c.do_not_contact, c.hand_raised_at,
       c.last_touch_at, c.next_touch_at, c.next_touch_kind, c.owned_since, c.created_at, c.updated_at, c.company, c.region
     from contacts c join contacts n on n.id = 1 + (c.id * 7 + ${k} * 13) % ${top} where c.${small} order by c.id`,
  );
  await tx.run(
    `insert into contact_facts select (f).* from (select jsonb_populate_record(f, jsonb_build_object('contact_id', ${of('f.contact_id')})) as f from contact_facts f where f.contact_id <= ${top}) x`,
  );
  await tx.run(
    `insert into contact_points (account_id, contact_id, kind, value, position, active, error)
     select account_id, ${of('contact_id')}, kind, case when kind = 'phone' then '+1${area}555' || (1000 + contact_id) else replace(value, '@', '.${k}@') end, position, active, error from contact_points where contact_id <= ${top}`,
  );
  await tx.run(
    `insert into permissions (account_id, channel, address, state, for_good, how, evidence, at)
     select p.account_id, p.channel, case when cp.kind = 'phone' then '+1${area}555' || (1000 + cp.contact_id) else replace(cp.value, '@', '.${k}@') end, p.state, p.for_good, p.how, p.evidence, p.at
     from permissions p join contact_points cp on cp.value = p.address and cp.contact_id <= ${top}`,
  );
  for (const [table, columns] of [
    ['contact_tags', 'tag_id'],
    ['contact_dates', 'kind, label, year, month_day'],
    ['field_values', 'field_id, ordinal, words, number, day, month_day'],
  ] as const)
    await tx.run(
      `insert into ${table} (contact_id, ${columns}) select ${of('contact_id')}, ${columns} from ${table} where contact_id <= ${top}`,
    );
  await tx.run(
    `insert into inquiries (account_id, door_id, contact_id, source, raw, parsed, matched, owner_id, rung_id, because, arrived_at, first_try_at) select account_id, door_id, ${of('contact_id')}, source, raw, parsed, matched, owner_id, rung_id, because, arrived_at, first_try_at from inquiries where contact_id <= ${top}`,
  );
  await tx.run(
    `insert into activities (account_id, contact_id, user_id, at, kind, channel, direction, data, because) select account_id, ${of('contact_id')}, user_id, at, kind, channel, direction, data, because from activities where contact_id <= ${top} order by contact_id, id`,
  );
  await tx.run(
    `insert into calls (account_id, contact_id, user_id, key, direction, number, state, outcome, outcome_by, started_at, answered_at, ended_at, talk_seconds, activity_id)
     select account_id, ${of('contact_id')}, user_id, key || ' ${k}', direction, number, state, outcome, outcome_by, started_at, answered_at, ended_at, talk_seconds, activity_id from calls where contact_id <= ${top}`,
  );
  await tx.run(
    `insert into tasks (account_id, contact_id, user_id, kind, due_at, note, because, done_at, created_at) select account_id, ${of('contact_id')}, user_id, kind, due_at, note, because, done_at, created_at from tasks where contact_id <= ${top}`,
  );
  await tx.run(
    `insert into enrollments (account_id, campaign_id, version_id, contact_id, state, step, started_at, ended_at, because) select account_id, campaign_id, version_id, ${of('contact_id')}, state, step, started_at, ended_at, because from enrollments where contact_id <= ${top} and state <> 'active'`,
  );
  await writeSearch(tx, `c.id > ${k * top} and c.id <= ${(k + 1) * top}`);
}
