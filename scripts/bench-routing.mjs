/**
 * `npm run bench:routing`: prints JSON with what routing reaches on an application of its own: decisions and mails a second, leads a second beside a
 * handler that answers a constant, how soon an offer is on an agent's page with 300 pages open, and a rehearsal of 100,000 inquiries.
 */
import { createHash, randomBytes } from 'node:crypto';
import http from 'node:http';
import { api, BASE, inBenchApp, KEY, residentMb } from './lib/bench-app.mjs';
import { atPace, lead, median, note, percentile, rate, round } from './lib/measure.mjs';
import { fromRoot } from './lib/root.mjs';
import { runQuietly } from './lib/run.mjs';
import { script, Stop } from './lib/say.mjs';

const PAGES = 300;
const PER_SECOND = 25;
const SECONDS = 30;
const INQUIRIES = 100_000;

const postLead = async () => {
  const response = await fetch(`${BASE}/api/v1/inquiries`, { method: 'POST', headers: KEY, body: lead() });
  const text = await response.text();
  if (response.status !== 201) throw new Stop(`a lead got ${response.status}: ${text}`);
  return JSON.parse(text);
};

async function leadsPerSecond() {
  const rounds = [];
  for (let turn = 0; turn < 3; turn += 1) {
    const constant = await rate(8, 5, async () => (await fetch(`${BASE}/api/live`)).arrayBuffer());
    rounds.push({ constant, leads: await rate(8, 5, postLead) });
  }
  return {
    leads_per_second: round(median(rounds.map(({ leads }) => leads))),
    constant_per_second: round(median(rounds.map(({ constant }) => constant))),
    bound_leads_per_second: 100,
    ...(await paced()),
  };
}

/** How long leads take that come at an even pace. */
async function paced() {
  const times = [];
  await atPace(PER_SECOND, SECONDS, async () => {
    const at = performance.now();
    await postLead();
    times.push(performance.now() - at);
  });
  return {
    at_25_a_second_p50_ms: round(percentile(times, 50)),
    at_25_a_second_p95_ms: round(percentile(times, 95)),
    bound_p95_ms: 50,
  };
}

/** An open page: its stream of events. @param heard is told each contact that is offered to it */
function openPage(token, heard) {
  return new Promise((resolve, reject) => {
    const request = http.get(`${BASE}/api/v1/events`, { headers: { cookie: `urraca_session=${token}` } }, (response) => {
      response.setEncoding('utf8');
      let rest = '';
      response.on('data', (part) => {
        const lines = (rest + part).split('\n');
        rest = lines.pop();
        for (const line of lines) {
          if (!line.startsWith('data: {')) continue;
          const { topic, contactId, mine } = JSON.parse(line.slice(6));
          if (topic === 'offer' && mine) heard(contactId);
        }
      });
      resolve(() => request.destroy());
    });
    request.on('error', reject);
  });
}

/** A roster of 300 agents in timed turns, each with a page open. @returns milliseconds from the request of a lead to the word on its agent's page */
async function offersOnPages(db) {
  const tokens = Array.from({ length: PAGES }, () => randomBytes(32).toString('base64url'));
  const { rows } = await db.query(
    `insert into users (account_id, office_id, role, first_name, last_name, email, time_zone, password_hash)
     select 1, 1, 'agent', 'Page', n::text, 'page' || n || '@bench.example', 'America/Los_Angeles', '' from generate_series(1, ${PAGES}) n returning id`,
  );
  await db.query(
    `insert into sessions (token_hash, user_id, expires_at) select h, u, now() + interval '1 day' from unnest($1::bytea[], $2::bigint[]) as x (h, u)`,
    [tokens.map((token) => createHash('sha256').update(token).digest()), rows.map(({ id }) => id)],
  );
  await api('/rosters/1', 'PATCH', { hand_out: 'turns', window_seconds: 3_600, members: rows.map(({ id }) => ({ id })) });
  const heard = new Map();
  const closes = await Promise.all(
    tokens.map((token) => openPage(token, (id) => heard.has(id) || heard.set(id, performance.now()))),
  );
  await new Promise((resolve) => setTimeout(resolve, 4_000));
  const sent = [];
  await atPace(PER_SECOND, SECONDS, async () => {
    const at = performance.now();
    const { contact } = await postLead();
    sent.push({ id: contact.id, at });
  });
  await new Promise((resolve) => setTimeout(resolve, 2_000));
  closes.forEach((close) => close());
  const times = sent.filter(({ id }) => heard.has(id)).map(({ id, at }) => heard.get(id) - at);
  return {
    pages: PAGES,
    leads: sent.length,
    told: times.length,
    p50_ms: round(percentile(times, 50)),
    p95_ms: round(percentile(times, 95)),
    max_ms: round(Math.max(...times)),
    bound_p95_ms: 1_000,
  };
}

async function rehearsal(db, worker) {
  await db.query(
    `insert into inquiries (account_id, door_id, contact_id, source, raw, parsed, matched, owner_id, rung_id, because, arrived_at, first_try_at)
     select i.account_id, i.door_id, i.contact_id, i.source, '{}', i.parsed, i.matched, i.owner_id, i.rung_id, i.because, k.now - random() * interval '360 days', null
     from (select *, row_number() over () as n from inquiries where owner_id is not null limit 2000) i, generate_series(1, ${INQUIRIES / 2_000}) g, (select clock_timestamp() + offset_ms * interval '1 millisecond' as now from clock) k`,
  );
  await db.query('analyze inquiries');
  const ladder = await api('/ladder');
  const rungs = [
    { tree: { all: [{ on: 'lead_town', how: 'any', of: ['Saltmarsh', 'Petrel Point'] }] }, roster_id: '2' },
    ...ladder.rungs.map(({ id, tree, roster }) => ({ id, tree, roster_id: roster.id })),
  ];
  const runs = [];
  for (let turn = 0; turn < 3; turn += 1) {
    const began = performance.now();
    const { id } = await api('/rehearsals', 'POST', { days: 365, ladder: { rungs } });
    let state = { state: 'waiting' };
    while (['waiting', 'running'].includes(state.state)) {
      await new Promise((resolve) => setTimeout(resolve, 200));
      state = await api(`/rehearsals/${id}`);
    }
    if (state.state !== 'done') throw new Stop(`the rehearsal ended as ${state.state}: ${state.error}`);
    runs.push({ seconds: (performance.now() - began) / 1000, inquiries: state.done });
  }
  return {
    inquiries: runs[0].inquiries,
    seconds: round(median(runs.map(({ seconds }) => seconds))),
    bound_seconds: 20,
    worker_peak_mb: round(residentMb(worker.pid, 'VmHWM'), 0),
    bound_mb: 500,
  };
}

await script(() =>
  inBenchApp(async (db, { worker }) => {
    note('the core alone …');
    const core = JSON.parse(runQuietly(process.execPath, [fromRoot('dist/bench-routing.js')]).out);
    await rate(8, 3, postLead);
    note('leads per second …');
    const leads = await leadsPerSecond();
    note('a rehearsal of 100,000 inquiries …');
    const rehearsed = await rehearsal(db, worker);
    note(`${PER_SECOND} leads a second with ${PAGES} pages open …`);
    const offers = await offersOnPages(db);
    return { core: { ...core, bound_decisions: 20_000, bound_mails: 200 }, leads, rehearsal: rehearsed, offers };
  }),
);
