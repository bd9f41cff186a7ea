/**
 * `npm run bench:messages`: prints JSON with what messages reach on an application of its own: rendering and checks, rehearsals of a year for 10,000 and
 * for 100,000 people, and a broadcast to 100,000: until it stands in the outbox, and how the web server answers while it goes.
 */
import { api, BASE, inBenchApp, KEY, residentMb } from './lib/bench-app.mjs';
import { median, note, percentile, round } from './lib/measure.mjs';
import { fromRoot } from './lib/root.mjs';
import { runQuietly } from './lib/run.mjs';
import { script, Stop } from './lib/say.mjs';

const MANY = 100_000;
const FEW = 10_000;
const PER_MINUTE = 600;

/** People who may get everything, a tenth of them with a tag of their own. */
async function people(db) {
  await db.query(
    `insert into contacts (account_id, owner_id, office_id, first_name, last_name, stage, stage_since, roles, time_zone, street, city, postal_code, created_at, updated_at)
     select 1, 2 + n % 9, 1, 'Many', 'Person ' || n, 'talking', now(), '{renter}', 'America/Los_Angeles', n || ' Bench Lane', 'Saltmarsh', '98741', now(), now() from generate_series(1, ${MANY}) n`,
  );
  await db.query(`insert into contact_facts (contact_id) select id from contacts where first_name = 'Many'`);
  await db.query(
    `insert into contact_points (account_id, contact_id, kind, value) select 1, id, 'phone', '+1996' || lpad((row_number() over (order by id))::text, 7, '0') from contacts where first_name = 'Many'
     union all select 1, id, 'email', 'many' || id || '@bench.example' from contacts where first_name = 'Many'`,
  );
  await db.query(
    `insert into permissions (account_id, channel, address, state, how, at) select 1, 'text', value, 'granted', 'bench', now() from contact_points where value like '+1996%'`,
  );
  const { rows } = await db.query(`insert into tags (account_id, name) values (1, 'bench few') returning id`);
  await db.query(
    `insert into contact_tags (contact_id, tag_id) select id, $1 from (select id from contacts where first_name = 'Many' order by id limit ${FEW}) c`,
    [rows[0].id],
  );
  for (const table of ['contacts', 'contact_facts', 'contact_points', 'permissions', 'contact_tags'])
    await db.query(`analyze ${table}`);
}

async function rehearsed(campaign, tree, times) {
  const { plan } = await api(`/campaigns/${campaign}`);
  const runs = [];
  let seen = 0;
  for (let turn = 0; turn < times; turn += 1) {
    const began = performance.now();
    const { id } = await api(`/campaigns/${campaign}/rehearsals`, 'POST', {
      plan: { ...plan, roles: ['renter'], who: tree },
      days: 365,
    });
    let state = { state: 'waiting' };
    while (['waiting', 'running'].includes(state.state)) {
      await new Promise((resolve) => setTimeout(resolve, 100));
      state = await api(`/campaign-rehearsals/${id}`);
    }
    if (state.state !== 'done') throw new Stop(`the rehearsal ended as ${state.state}: ${state.error}`);
    seen = state.people;
    runs.push((performance.now() - began) / 1000);
  }
  return { people: seen, seconds: round(median(runs), 1) };
}

/** How pages and lists are answered, one request after the other. @returns milliseconds */
async function answers(seconds) {
  const times = [];
  const until = performance.now() + seconds * 1000;
  for (let n = 0; performance.now() < until; n += 1) {
    const began = performance.now();
    await (await fetch(`${BASE}/api/v1/${n % 2 ? 'contacts?limit=50' : 'wire'}`, { headers: KEY })).arrayBuffer();
    if (n > 5) times.push(performance.now() - began);
    await new Promise((resolve) => setTimeout(resolve, 40));
  }
  return times;
}

async function broadcast() {
  const { id: segment } = await api('/segments', 'POST', {
    name: 'Bench many',
    tree: { on: 'role', how: 'any', of: ['renter'] },
    team: true,
  });
  const words = { subject: 'Bench for {{ city }}', text: '{Hello|Good day} {{ first_name }}.', plain: 'Hello.' };
  const { id } = await api('/broadcasts', 'POST', {
    name: 'Bench',
    channel: 'email',
    words,
    selection: { segments: [segment] },
    per_minute: PER_MINUTE,
  });
  const idle = await answers(15);
  const began = performance.now();
  await api(`/broadcasts/${id}/start`, 'POST');
  let state = { state: 'filling' };
  while (state.state === 'filling') {
    await new Promise((resolve) => setTimeout(resolve, 200));
    state = await api(`/broadcasts/${id}`);
  }
  const seconds = (performance.now() - began) / 1000;
  const sentBefore = state.counts.sent;
  const from = performance.now();
  const busy = await answers(90);
  const after = await api(`/broadcasts/${id}`);
  const minutes = (performance.now() - from) / 60_000;
  await api(`/broadcasts/${id}/pause`, 'POST');
  return {
    people: after.people,
    stands_after_seconds: round(seconds),
    bound_seconds: 60,
    throttle_per_minute: PER_MINUTE,
    went_per_minute: round((after.counts.sent - sentBefore) / minutes, 0),
    idle_p95_ms: round(percentile(idle, 95)),
    while_it_goes_p95_ms: round(percentile(busy, 95)),
    ratio_p95: round(percentile(busy, 95) / percentile(idle, 95), 2),
    bound_ratio: 2,
  };
}

await script(() =>
  inBenchApp(async (db, { worker }) => {
    note('the core alone …');
    const core = JSON.parse(runQuietly(process.execPath, [fromRoot('dist/bench-messages.js')]).out);
    note('people …');
    await people(db);
    const { rows } = await db.query(
      `select p.id, t.id as tag from campaigns p, tags t where p.name = 'A year with a buyer' and t.name = 'bench few'`,
    );
    const [{ id, tag }] = rows;
    note('a year rehearsed for 10,000 …');
    const few = await rehearsed(id, { on: 'tag', how: 'any', of: [String(tag)] }, 3);
    note('a year rehearsed for 100,000 …');
    const many = await rehearsed(id, null, 1);
    const rehearsal = {
      few: { ...few, bound_seconds: 3 },
      many: { ...many, bound_seconds: 30 },
      worker_peak_mb: round(residentMb(worker.pid, 'VmHWM'), 0),
      bound_mb: 500,
    };
    note('a broadcast to 100,000 …');
    return { core, rehearsal, broadcast: await broadcast() };
  }),
);
