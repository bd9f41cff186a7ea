/**
 * The bench of the contact database at full size: each figure beside the same work in SQL by hand, in one run. Runs against a house
 * that is up (BASE_URL, DATABASE_URL) and holds the full-size demo world; what it changes it takes back.
 */
import { spawn } from 'node:child_process';
import pg from 'pg';
import { wholeAccount } from '@/core/accounts';
import { seeded } from '@/core/shared';
import { firstQuestion, SUBJECTS, type Condition, type Tree } from '@/core/segments';
import { contactsFrom } from '@/server/contacts';
import { segmentContext } from '@/server/segments';
import { closeDb } from '@/server/shared';

const BASE = process.env.BASE_URL ?? 'http://127.0.0.1:3000';
const KEY = { authorization: 'Bearer urraca-demo-key', 'content-type': 'application/json' };
const TREES = 100;
const MANY = 100_000;
const scope = wholeAccount('1');
const note = (text: string) => process.stderr.write(`${text}\n`);
const percentile = (numbers: number[], p: number) =>
  [...numbers].sort((a, b) => a - b)[Math.min(numbers.length - 1, Math.floor((numbers.length * p) / 100))]!;
const round = (n: number) => Math.round(n * 10) / 10;
const timed = async (work: () => Promise<unknown>): Promise<number> => {
  const began = performance.now();
  await work();
  return performance.now() - began;
};
const api = async <T>(path: string, method = 'GET', body?: object | string): Promise<T> => {
  const answer = await fetch(`${BASE}/api/v1${path}`, {
    method,
    headers: KEY,
    body: typeof body === 'string' ? body : body && JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
  return (await answer.json()) as T;
};
const until = async <T extends { state: string }>(path: string, going: string[]): Promise<T> => {
  for (;;) {
    const now = await api<T>(path);
    if (!going.includes(now.state)) return now;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
};

const sql = new pg.Client({ connectionString: process.env.DATABASE_URL });

/** Trees as people write them: one to four conditions, now and then an alternative. */
function trees(): Tree[] {
  const random = seeded('trees of the bench');
  const values: Record<string, string[]> = {
    stage: ['new', 'reaching', 'talking', 'client', 'past_client', 'sphere'],
    horizon: ['hot', 'warm', 'nurture', 'someday'],
    role: ['buyer', 'seller', 'renter'],
    town: ['Saltmarsh', 'Petrel Point', 'Quillhaven'],
    postal_code: ['98741', '98751'],
    tag: ['1', '2', '3', '4', '5'],
    owner: ['2', '3', '4'],
    roster: ['1'],
    door: ['1'],
    campaign: ['1'],
    campaign_ever: ['1'],
    source: ['Referral', 'Sphere'],
    may_call: ['granted'],
    may_text: ['granted', 'unknown'],
    may_email: ['withdrawn'],
    may_letter: ['withdrawn'],
    wants_area: ['Saltmarsh'],
    wants_feature: ['garden'],
    wants_kind: ['house'],
  };
  const one = (): Condition => {
    const subject = random.pick(SUBJECTS);
    const question = firstQuestion(subject);
    if ('of' in question)
      return {
        ...question,
        how: random.chance(0.2) ? 'none' : 'any',
        of: [random.pick(values[subject.key] ?? ['1'])],
      };
    if ('text' in question) return { ...question, text: random.pick(['an', 'hol', 'lane']) };
    if ('n' in question) return { ...question, n: random.int(1, 60) };
    return question;
  };
  return Array.from({ length: TREES }, () => ({
    all: Array.from({ length: random.int(1, 4) }, () => (random.chance(0.15) ? { any: [one(), one()] } : one())),
  }));
}

async function pages(): Promise<object> {
  const context = await segmentContext(scope);
  const byHand: number[] = [];
  const byHttp: number[] = [];
  const slow: [number, string][] = [];
  const work = trees();
  for (const tree of work.slice(0, 5)) await api(`/contacts?limit=50&where=${encodeURIComponent(JSON.stringify(tree))}`);
  for (const tree of work) {
    const bind: unknown[] = [];
    const { from, where } = contactsFrom(scope, { segment: { tree, context } }, bind);
    byHand.push(
      await timed(() => sql.query(`select c.* from ${from} where ${where} order by c.created_at desc, c.id desc limit 51`, bind)),
    );
    const http = await timed(() => api(`/contacts?limit=50&where=${encodeURIComponent(JSON.stringify(tree))}`));
    byHttp.push(http);
    slow.push([http, JSON.stringify(tree)]);
  }
  slow.sort((a, b) => b[0] - a[0]);
  note(
    `  slowest ${slow
      .slice(0, 3)
      .map(([ms, tree]) => `${round(ms)} ms ${tree}`)
      .join('\n          ')}`,
  );
  const [hand, http] = [percentile(byHand, 95), percentile(byHttp, 95)];
  return {
    by_hand_p50: round(percentile(byHand, 50)),
    by_hand_p95: round(hand),
    http_p50: round(percentile(byHttp, 50)),
    http_p95: round(http),
    ratio: round(http / hand),
  };
}

async function search(): Promise<object> {
  const inputs = [
    'a',
    'z',
    'q',
    'an',
    'ho',
    'xx',
    'bra',
    'holt',
    'holt ann',
    'Brandvodl',
    'qqqqzzzz',
    'saltmarsh',
    '98741',
    '(253) 555',
    '5645551234',
    'oda@',
    'rowing',
    'heron',
    'ü',
    'nils gannet',
    'gannet quill',
    'zzz',
    '5',
    '%',
    'Winterborne',
  ];
  const times: [number, string][] = [];
  for (const q of inputs.slice(0, 5)) await api(`/contacts?limit=8&q=${encodeURIComponent(q)}`);
  for (let turn = 0; turn < 2; turn += 1)
    for (const q of inputs) times.push([await timed(() => api(`/contacts?limit=8&q=${encodeURIComponent(q)}`)), q]);
  times.sort((a, b) => b[0] - a[0]);
  note(
    `  slowest ${times
      .slice(0, 6)
      .map(([ms, q]) => `${q} ${round(ms)}`)
      .join(', ')}`,
  );
  const all = times.map(([ms]) => ms);
  return { p50: round(percentile(all, 50)), p95: round(percentile(all, 95)), max: round(percentile(all, 100)), bound_ms: 50 };
}

/** The segments that people ask every day, each by its name. */
const EVERYDAY: Record<string, { where?: Tree; q?: string }> = {
  'never attempted': { where: { all: [{ on: 'attempts', how: 'between', from: 0, to: 0 }] } },
  'hot not spoken with for 7 days': {
    where: {
      all: [
        { on: 'horizon', how: 'any', of: ['hot'] },
        { on: 'last_reached', how: 'not_within', n: 7, unit: 'days' },
      ],
    },
  },
  'past clients in a ZIP': {
    where: {
      all: [
        { on: 'stage', how: 'any', of: ['past_client'] },
        { on: 'postal_code', how: 'any', of: ['98741'] },
      ],
    },
  },
  'birthday in 14 days': { where: { all: [{ on: 'birthday', how: 'coming', n: 14, unit: 'days' }] } },
  'tag and tag': { where: { all: [{ on: 'tag', how: 'all', of: ['1', '2'] }] } },
  'wants a pool under 500,000': {
    where: {
      all: [
        { on: 'wants_feature', how: 'any', of: ['pool'] },
        { on: 'wants_price_max', how: 'between', to: 500_000 },
      ],
    },
  },
  'visited yesterday': { where: { all: [{ on: 'last_visit', how: 'within', n: 1, unit: 'days' }] } },
  overdue: { where: { all: [{ on: 'overdue', how: 'yes' }] } },
  'opted out': { where: { all: [{ on: 'may_text', how: 'any', of: ['withdrawn'] }] } },
  'source and month': {
    where: {
      all: [
        { on: 'source', how: 'any', of: ['Referral'] },
        { on: 'created', how: 'within', n: 30, unit: 'days' },
      ],
    },
  },
  'no next touch': { where: { all: [{ on: 'next_touch', how: 'unknown' }] } },
  'name search': { q: 'holm' },
};
const TURNS = 12;

/** A page of each everyday segment, and the tags with their counts, over HTTP; the first of each is told apart. */
async function everyday(): Promise<object> {
  const all: number[] = [];
  const each: Record<string, { first: number; p95: number }> = {};
  for (const [name, { where, q }] of Object.entries(EVERYDAY)) {
    const path = `/contacts?limit=50${where ? `&where=${encodeURIComponent(JSON.stringify(where))}` : ''}${q ? `&q=${q}` : ''}`;
    const first = await timed(() => api(path));
    const times: number[] = [];
    for (let turn = 0; turn < TURNS; turn += 1) times.push(await timed(() => api(path)));
    all.push(...times);
    each[name] = { first: round(first), p95: round(percentile(times, 95)) };
  }
  const tags: number[] = [];
  for (let turn = 0; turn < TURNS; turn += 1) tags.push(await timed(() => api('/tags')));
  return {
    each,
    p95: round(percentile(all, 95)),
    bound_ms: 250,
    tags_with_counts: { p50: round(percentile(tags, 50)), p95: round(percentile(tags, 95)) },
    bound_tags_ms: 100,
  };
}

/** Tagging 100,000: the same effects by hand, with undo rows and lines of the timeline, and taken back. */
async function bulk(): Promise<object> {
  const tag = await api<{ id: string }>('/tags', 'POST', { name: `bench ${Date.now()}` });
  const hand = await timed(async () => {
    await sql.query('begin');
    await sql.query(
      `with picked as (select id from contacts where account_id = 1 and stage <> 'archived' and deleted_at is null order by id limit ${MANY}), added as (insert into contact_tags (contact_id, tag_id) select id, $1 from picked returning contact_id),
       kept as (insert into change_items (change_id, contact_id, before, after) select $2, contact_id, '{"tags": null}', jsonb_build_object('tags', jsonb_build_array($1::text)) from added)
       insert into activities (account_id, contact_id, at, kind, data) select 1, contact_id, now(), 'changed', '{"text":"by hand"}' from added`,
      [tag.id, await handChange()],
    );
    await sql.query('commit');
  });
  await sql.query(`delete from contact_tags where tag_id = $1`, [tag.id]);
  await sql.query(`delete from activities where kind = 'changed' and data->>'text' = 'by hand'`).catch(() => {});
  /* The same people by a mark of their own, so that no more are chosen than are changed. */
  const mark = await api<{ id: string }>('/tags', 'POST', { name: `mark ${Date.now()}` });
  await sql.query(
    `insert into contact_tags (contact_id, tag_id) select id, $1 from contacts where account_id = 1 and stage <> 'archived' and deleted_at is null order by id limit ${MANY}`,
    [mark.id],
  );
  let id = '';
  const ours = await timed(async () => {
    ({ id } = await api<{ id: string }>('/changes', 'POST', {
      selection: { question: { where: JSON.stringify({ all: [{ on: 'tag', how: 'any', of: [mark.id] }] }) } },
      change: { kind: 'tags', add: [tag.id], remove: [] },
    }));
    for (;;) {
      const now = await api<{ state: string; done: number }>(`/changes/${id}`);
      if (now.done >= MANY || now.state === 'done') break;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  });
  await api(`/changes/${id}/cancel`, 'POST').catch(() => {});
  await until(`/changes/${id}`, ['waiting', 'running']);
  const undo = await timed(async () => {
    await api(`/changes/${id}/undo`, 'POST');
    await until(`/changes/${id}`, ['undoing']);
  });
  for (const gone of [tag.id, mark.id]) {
    await sql.query('delete from contact_tags where tag_id = $1', [gone]);
    await sql.query('delete from tags where id = $1', [gone]);
  }
  await sql.query(`delete from changes where sentence = 'by hand'`);
  return {
    by_hand_s: round(hand / 1000),
    ours_s: round(ours / 1000),
    ratio: round(ours / hand),
    undo_s: round(undo / 1000),
    bound: 1.5,
  };
}
const handChange = async (): Promise<string> =>
  (
    await sql.query<{ id: string }>(
      `insert into changes (account_id, kind, spec, sentence, state, made_at) values (1, 'tags', '{}', 'by hand', 'undone', now()) returning id`,
    )
  ).rows[0]!.id;

/** The same question by hand: names within a letter or two of each other in the same place. */
async function duplicates(): Promise<object> {
  const hand = await timed(() =>
    sql.query(
      `create temporary table pairs_by_hand as with p as materialized (select id, postal_code, dmetaphone(last_name) as sound, lower(unaccent(first_name)) as first, lower(unaccent(last_name)) as last, lower(street) as street
         from contacts where account_id = 1 and deleted_at is null and postal_code is not null and first_name <> '' and last_name <> '')
       select a.id as one, b.id as other, a.street = b.street as same_home from p a join p b on b.postal_code = a.postal_code and b.sound = a.sound and b.id > a.id
       where (a.first = b.first or levenshtein_less_equal(a.first, b.first, 1) <= 1) and levenshtein_less_equal(a.last, b.last, 2) <= 2`,
    ),
  );
  const ours = await timed(async () => {
    await api('/duplicates/scan', 'POST');
    await until('/duplicates/scan', ['waiting', 'running']);
  });
  return { by_hand_s: round(hand / 1000), ours_s: round(ours / 1000), ratio: round(ours / hand), bound: 2 };
}

/** The content of an exported file, as somebody would write it for `COPY`. */
const COPIED = `select c.first_name, c.last_name, c.company, c.street, c.city, c.region, c.postal_code, c.country, array_to_string(c.roles, '; '), s.name, h.name, c.source, u.first_name || ' ' || u.last_name, c.created_at::date,
    (select string_agg(value, '; ' order by position, id) from contact_points where contact_id = c.id and active and kind = 'email'),
    (select string_agg(value, '; ' order by position, id) from contact_points where contact_id = c.id and active and kind = 'phone'),
    (select string_agg(t.name, '; ' order by t.name) from contact_tags ct join tags t on t.id = ct.tag_id and t.deleted_at is null where ct.contact_id = c.id),
    (select string_agg(kind || ' ' || month_day, '; ') from contact_dates where contact_id = c.id),
    (select string_agg(f.name || ': ' || coalesce(v.words, v.day::text, v.number::text, ''), '; ') from field_values v join fields f on f.id = v.field_id where v.contact_id = c.id),
    (select string_agg(p.channel || ' ' || p.state, '; ') from contact_points cp join permissions p on p.account_id = c.account_id and p.address = cp.value where cp.contact_id = c.id and cp.active)
  from contacts c left join stages s on s.account_id = c.account_id and s.key = c.stage left join horizons h on h.account_id = c.account_id and h.key = c.horizon left join users u on u.id = c.owner_id
  where c.deleted_at is null and c.stage <> 'archived'`;

async function exported(): Promise<object> {
  const hand = await timed(
    () =>
      new Promise<void>((resolve, reject) => {
        const copy = spawn('psql', [process.env.DATABASE_URL!, '-qc', `copy (${COPIED}) to stdout (format csv)`], {
          stdio: ['ignore', 'ignore', 'inherit'],
        });
        copy.on('error', reject).on('exit', (code) => (code === 0 ? resolve() : reject(new Error(`psql ended with ${code}`))));
      }),
  );
  let bytes = 0;
  const ours = await timed(async () => {
    const { id } = await api<{ id: string }>('/exports', 'POST', { format: 'csv', selection: { question: {} } });
    ({ bytes } = await until<{ state: string; bytes: number }>(`/exports/${id}`, ['waiting', 'running']));
  });
  return {
    copy_s: round(hand / 1000),
    ours_s: round(ours / 1000),
    ratio: round(ours / hand),
    megabytes: round(bytes / 1e6),
    bound: 4,
  };
}

/** 100,000 rows, a tenth of them known: staged SQL by hand against the whole import, looking included apart. */
async function imported(): Promise<object> {
  const stamp = Date.now() % 1_000_000;
  const known = (
    await sql.query<{ value: string }>(
      `select value from contact_points where kind = 'email' and active order by id limit ${MANY / 10}`,
    )
  ).rows.map(({ value }) => value);
  const lines = Array.from(
    { length: MANY },
    (_, n) =>
      `First${n},Last${n % 7_000},${n % 10 === 0 ? known[n / 10] : `row${n}.${stamp}@import.example`},${n % 3 ? '' : `(9${String(10 + (n % 80)).padStart(2, '0')}) 555-${String(n % 10_000).padStart(4, '0')}`},${n} Heron Lane,Saltmarsh,98741,bench`,
  );
  const text = `First name,Last name,E-mail,Phone,Street,Town,Postal code,Tags\n${lines.join('\n')}\n`;
  const hand = await timed(async () => {
    await sql.query('begin');
    await sql.query(
      'create temporary table staged (n int, first text, last text, email text, phone text, street text, city text, postal text) on commit drop',
    );
    for (let at = 0; at < MANY; at += 5_000)
      await sql.query(
        `insert into staged select * from jsonb_to_recordset($1::jsonb) as x (n int, first text, last text, email text, phone text, street text, city text, postal text)`,
        [
          JSON.stringify(
            lines.slice(at, at + 5_000).map((line, i) => {
              const [first, last, email, phone, street, city, postal] = line.split(',');
              return { n: at + i, first, last, email, phone, street, city, postal };
            }),
          ),
        ],
      );
    await sql.query(`alter table staged add column e164 text, add column known bigint, add column id bigint`);
    await sql.query(
      `update staged set e164 = case when phone <> '' then '+1' || regexp_replace(phone, '\\D', '', 'g') end, email = lower(email)`,
    );
    await sql.query(
      `update staged s set known = p.contact_id from contact_points p where p.account_id = 1 and p.active and p.kind = 'email' and p.value = s.email`,
    );
    await sql.query(
      `update staged s set known = p.contact_id from contact_points p where s.known is null and p.account_id = 1 and p.active and p.kind = 'phone' and p.value = s.e164`,
    );
    await sql.query(`update staged set id = nextval(pg_get_serial_sequence('contacts', 'id')) where known is null`);
    await sql.query(
      `insert into contacts (id, account_id, first_name, last_name, stage_since, time_zone, street, city, postal_code, created_at, updated_at) overriding system value select id, 1, first, last, now(), 'America/Los_Angeles', street, city, postal, now(), now() from staged where id is not null`,
    );
    await sql.query(`insert into contact_facts (contact_id) select id from staged where id is not null`);
    await sql.query(
      `update contacts c set street = coalesce(c.street, s.street), city = coalesce(c.city, s.city) from staged s where c.id = s.known`,
    );
    await sql.query(
      `insert into contact_points (account_id, contact_id, kind, value) select 1, coalesce(id, known), 'email', email from staged on conflict do nothing`,
    );
    await sql.query(
      `insert into contact_points (account_id, contact_id, kind, value) select 1, coalesce(id, known), 'phone', e164 from staged where e164 is not null on conflict do nothing`,
    );
    await sql.query(
      `insert into contact_tags (contact_id, tag_id) select distinct coalesce(id, known), 1 from staged on conflict do nothing`,
    );
    await sql.query(
      `insert into contact_search (contact_id, account_id, search_text) select id, 1, ' ' || lower(unaccent(concat_ws(' ', first, last, city, postal, email, e164))) from staged where id is not null`,
    );
    await sql.query(
      `insert into activities (account_id, contact_id, at, kind, data) select 1, coalesce(id, known), now(), 'changed', '{"text":"staged"}' from staged`,
    );
    await sql.query('rollback');
  });
  let look = 0;
  const began = performance.now();
  const made = (await (
    await fetch(`${BASE}/api/v1/imports?name=bench.csv`, {
      method: 'POST',
      headers: { authorization: KEY.authorization },
      body: text,
    })
  ).json()) as { id: string };
  await until(`/imports/${made.id}`, ['uploading', 'looking']);
  look = performance.now() - began;
  let done = { state: '', made: 0, changed: 0, same: 0, left_out: 0 };
  const ours = await timed(async () => {
    await api(`/imports/${made.id}/start`, 'POST');
    done = await until(`/imports/${made.id}`, ['waiting', 'running']);
  });
  note(`  ${JSON.stringify({ made: done.made, changed: done.changed, same: done.same, left: done.left_out })}`);
  await api(`/imports/${made.id}/undo`, 'POST');
  await until(`/imports/${made.id}`, ['undoing']);
  return {
    by_hand_s: round(hand / 1000),
    look_s: round(look / 1000),
    ours_s: round(ours / 1000),
    ratio: round(ours / hand),
    bound: 1.5,
  };
}

const PARTS = { pages, everyday, search, duplicates, exported, bulk, imported };
await sql.connect();
const wanted = process.argv.slice(2);
const found: Record<string, object> = {};
for (const [name, part] of Object.entries(PARTS)) {
  if (wanted.length && !wanted.includes(name)) continue;
  note(`${name} …`);
  found[name] = await part();
  note(`  ${JSON.stringify(found[name])}`);
}
console.log(JSON.stringify(found, null, 2));
await sql.end();
await closeDb();
