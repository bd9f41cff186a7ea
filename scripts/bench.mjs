/**
 * `npm run bench`: prints JSON with what this machine reaches on the demo data. Ratios have both sides in one run, medians of
 * three; absolute times swing with the machine. It starts an application of its own and stops by itself.
 */
import { fork } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { BASE, inBenchApp, KEY } from './lib/bench-app.mjs';
import { browserBench } from './lib/browser-bench.mjs';
import { endProcesses } from './lib/app.mjs';
import { lead, median, note, percentile, rate, round } from './lib/measure.mjs';
import { planOf } from './lib/plan.mjs';
import { fromRoot } from './lib/root.mjs';
import { script, Stop } from './lib/say.mjs';

const quick = process.argv.includes('--quick');
/** Only the due touches, for whoever works at them. */
const touchesOnly = process.argv.includes('--touches');
const ROUNDS = 3;
const DUE = quick ? 4_000 : 20_000;
const STEADY_SECONDS = quick ? 10 : 60;

const postLead = async () => {
  const response = await fetch(`${BASE}/api/v1/inquiries`, { method: 'POST', headers: KEY, body: lead() });
  if (response.status !== 201) throw new Stop(`a lead got ${response.status}: ${await response.text()}`);
  await response.arrayBuffer();
};

/** 25 leads a second, on the clock and not after each other. @returns milliseconds to the answer, which comes after the offer is committed */
async function steadyLeads() {
  const times = [];
  const pending = [];
  const began = performance.now();
  for (let n = 0; n < 25 * STEADY_SECONDS; n += 1) {
    const wait = began + n * 40 - performance.now();
    if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait));
    const sent = performance.now();
    pending.push(postLead().then(() => times.push(performance.now() - sent)));
  }
  await Promise.all(pending);
  return times;
}

async function leadsPerSecond() {
  const leads = [];
  const constants = [];
  for (let turn = 0; turn < ROUNDS; turn += 1) {
    constants.push(await rate(8, quick ? 2 : 5, async () => (await fetch(`${BASE}/api/live`)).arrayBuffer()));
    leads.push(await rate(8, quick ? 2 : 5, postLead));
  }
  return {
    leads_per_second: round(median(leads)),
    constant_per_second: round(median(constants)),
    bound_leads_per_second: 100,
  };
}

const SEED = (
  campaign,
) => `insert into enrollments (account_id, campaign_id, version_id, contact_id, started_at, due_at, planned_at)
  select 1, ${campaign}, (select max(id) from campaign_versions where campaign_id = ${campaign}), c.id, k.now, k.now, k.now from contacts c, (select clock_timestamp() + offset_ms * interval '1 millisecond' as now from clock) k where c.first_name = 'Due'`;

/** What hand-written SQL alone needs to claim, insert an outbox row and reschedule, in batches of 100 on two connections. */
const BY_HAND = `with due as (select id, contact_id from enrollments where state = 'active' and campaign_id = $1 and due_at is not null order by due_at, id limit 100 for update skip locked),
  out as (insert into outbox (account_id, key, channel, contact_id, enrollment_id, user_id, address, payload, automatic, due_at, created_at)
    select 1, 'hand-' || id, 'text', contact_id, id, 2, '+15645550123', '{"text":"by hand"}'::jsonb, true, now() + interval '10 years', now() from due)
  update enrollments e set step = step + 1, due_at = now() + interval '1 day', planned_at = now() + interval '1 day', state = 'finished' from due where e.id = due.id returning e.id`;

async function dueTouches(pg, url, env) {
  const admin = new pg.Client({ connectionString: url });
  await admin.connect();
  await admin.query(`insert into contacts (account_id, owner_id, office_id, first_name, last_name, stage, stage_since, roles, time_zone, city, created_at, updated_at)
    select 1, 2 + n % 9, 1, 'Due', 'Person ' || n, 'new', now(), '{buyer}', 'America/Los_Angeles', 'Saltmarsh', now(), now() from generate_series(1, ${DUE}) n`);
  await admin.query(`insert into contact_facts (contact_id) select id from contacts where first_name = 'Due'`);
  await admin.query(
    `insert into contact_points (account_id, contact_id, kind, value) select 1, id, 'phone', '+1997' || lpad((row_number() over (order by id))::text, 7, '0') from contacts where first_name = 'Due'`,
  );
  await admin.query(
    `insert into permissions (account_id, channel, address, state, how, at) select 1, 'text', value, 'granted', 'bench', now() from contact_points where value like '+1997%'`,
  );
  const plan = planOf([
    {
      channel: 'text',
      when: { after: 'start', minutes: 0 },
      words: { text: 'Hello {{ first_name }} from {{ city }}', plain: 'Hello' },
    },
    { channel: 'email', when: { after: 'start', days: 1, at: '09:00' }, words: { text: 'x', plain: 'x' } },
  ]);
  const ratios = [];
  const ours = [];
  const hand = [];
  await admin.query('update clock set held_at = $1', ['2026-11-24T20:00:00Z']);
  for (let turn = 0; turn < ROUNDS; turn += 1) {
    const campaign = async () =>
      (
        await admin.query(
          `with c as (insert into campaigns (account_id, name, created_at) values (1, 'Bench', now()) returning id)
           insert into campaign_versions (account_id, campaign_id, number, plan, made_at) select 1, id, 1, $1::jsonb, now() from c returning campaign_id as id`,
          [plan],
        )
      ).rows[0].id;
    const first = await campaign();
    await admin.query(SEED(first));
    await admin.query('analyze enrollments');
    const byHand = await timedByHand(pg, url, first);
    await admin.query(`update enrollments set state = 'finished' where campaign_id = $1`, [first]);
    const second = await campaign();
    await admin.query(SEED(second));
    await admin.query(
      `update enrollments set due_at = '2026-11-24T20:00:00Z', planned_at = '2026-11-24T20:00:00Z', started_at = '2026-11-24T20:00:00Z' where campaign_id = $1`,
      [second],
    );
    await admin.query('analyze enrollments');
    const own = await timedOwn(env);
    await admin.query(`update enrollments set state = 'finished', due_at = null where campaign_id = $1`, [second]);
    await admin.query(`delete from outbox where enrollment_id in (select id from enrollments where campaign_id in ($1, $2))`, [
      first,
      second,
    ]);
    hand.push(byHand);
    ours.push(own);
    ratios.push(own / byHand);
  }
  await admin.query('update clock set held_at = null');
  await admin.end();
  return {
    touches_per_second: round(median(ours), 0),
    by_hand_per_second: round(median(hand), 0),
    ratio: round(median(ratios), 2),
    bound: '>= 0.3',
    due: DUE,
  };
}

async function timedByHand(pg, url, campaign) {
  const began = performance.now();
  const counts = await Promise.all(
    [1, 2].map(async () => {
      const client = new pg.Client({ connectionString: url });
      await client.connect();
      let moved = 0;
      for (
        let batch = await client.query(BY_HAND, [campaign]);
        batch.rowCount > 0;
        batch = await client.query(BY_HAND, [campaign])
      )
        moved += batch.rowCount;
      await client.end();
      return moved;
    }),
  );
  return counts.reduce((a, b) => a + b) / ((performance.now() - began) / 1000);
}

async function timedOwn(env) {
  const children = [1, 2].map(() => fork(fromRoot('dist/bench.js'), [], { env }));
  await Promise.all(children.map((child) => new Promise((resolve) => child.once('message', resolve))));
  const began = performance.now();
  const counts = await Promise.all(
    children.map((child) => new Promise((resolve) => (child.once('message', resolve), child.send('go')))),
  );
  const seconds = (performance.now() - began) / 1000;
  await Promise.all(
    children.map((child) => new Promise((resolve) => (child.exitCode === null ? child.once('exit', resolve) : resolve()))),
  );
  return counts.reduce((a, b) => a + b) / seconds;
}

/** p95 at the server of reads by somebody who is logged in. */
async function reads(pg, url) {
  const { createHash, randomBytes } = await import('node:crypto');
  const token = randomBytes(32).toString('base64url');
  const admin = new pg.Client({ connectionString: url });
  await admin.connect();
  await admin.query(`insert into sessions (token_hash, user_id, expires_at) values ($1, 2, now() + interval '1 day')`, [
    createHash('sha256').update(token).digest(),
  ]);
  await admin.end();
  const headers = { cookie: `urraca_session=${token}` };
  const measured = {};
  for (const [name, path] of Object.entries({
    today: '/api/v1/today',
    contacts: '/api/v1/contacts?limit=50',
    search: '/api/v1/contacts?limit=8&q=sal',
    today_page: '/today',
    contacts_page: '/contacts',
    results: '/api/v1/results?days=90',
  })) {
    const times = [];
    for (let n = 0; n < 60; n += 1) {
      const began = performance.now();
      await (await fetch(`${BASE}${path}`, { headers })).arrayBuffer();
      if (n >= 10) times.push(performance.now() - began);
    }
    measured[name] = {
      p50_ms: round(percentile(times, 50)),
      p95_ms: round(percentile(times, 95)),
      ...(name === 'today' || name === 'contacts' ? { bound_p95_ms: 150 } : {}),
    };
  }
  return measured;
}

/** Resident memory of a process and those it started, in MB. */
function resident(pid) {
  const status = readFileSync(`/proc/${pid}/status`, 'utf8');
  const own = Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024;
  const children = readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim().split(' ').filter(Boolean);
  return own + children.reduce((sum, child) => sum + resident(child), 0);
}

await script(() =>
  inBenchApp(async (db, children, { url, env, startMs }) => {
    const { default: pg } = await import('pg');
    const touches = async () => {
      note('due touches …');
      await endProcesses([children.worker]);
      return dueTouches(pg, url, env);
    };
    if (touchesOnly) return { due_touches: await touches() };
    note('reading pages …');
    const pages = await reads(pg, url);
    note('in a browser …');
    const browser = await browserBench(BASE);
    note(`25 leads a second for ${STEADY_SECONDS} s …`);
    const steady = await steadyLeads();
    const memory = Object.fromEntries(
      Object.entries(children).map(([name, child]) => [`${name}_mb`, round(resident(child.pid), 0)]),
    );
    note('leads per second …');
    const burst = await leadsPerSecond();
    return {
      arrival: {
        leads: steady.length,
        p50_ms: round(percentile(steady, 50)),
        p95_ms: round(percentile(steady, 95)),
        max_ms: round(Math.max(...steady)),
        bound_p95_ms: 250,
      },
      leads: burst,
      due_touches: await touches(),
      reads: pages,
      browser,
      memory_after_the_minute: {
        ...memory,
        together_mb: round(
          Object.values(memory).reduce((a, b) => a + b),
          0,
        ),
        bound_mb: 900,
      },
      processes_start_ms: round(startMs, 0),
    };
  }),
);
