/**
 * The drill of exactly once: due touches by the thousand, two workers killed with -9 again and again, the carrier failing,
 * the simulator away, PostgreSQL stopped in the middle. Afterwards the simulator's own record holds every touch once, nothing
 * else, and verify finds nothing. `--small` for every test run; without it the simulator is away for ten minutes.
 */
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { startCluster } from '../../scripts/lib/cluster.mjs';
import { endProcesses, appEnvironment, startSimulator, startWorker } from '../../scripts/lib/app.mjs';
import { fromRoot } from '../../scripts/lib/root.mjs';
import { planOf } from '../../scripts/lib/plan.mjs';
import { runQuietly } from '../../scripts/lib/run.mjs';
import { say, script, Stop } from '../../scripts/lib/say.mjs';

const small = process.argv.includes('--small');
const DUE = small ? 1_500 : 5_000;
const AWAY_SECONDS = small ? 12 : 600;
const KILLS = small ? 4 : 60;
const GIVE_UP_SECONDS = small ? 240 : 1_800;
const DIST = process.env.DRILL_DIST ?? 'dist-test';
const home = join(process.env.URRACA_TEST_HOME ?? fromRoot('.urraca', 'test'), 'drill');
const port = Number(process.env.TEST_PGPORT ?? 55433);
const ports = { web: 3120, simulator: 3930, simulatorSmtp: 2546, mailDoor: 2545 };
const pause = (seconds) => new Promise((resolve) => setTimeout(resolve, seconds * 1000));

/** People whose first text is due now, and of whom a third are due an e-mail at the same time. */
const PEOPLE = `
  insert into contacts (account_id, owner_id, office_id, first_name, last_name, stage, stage_since, roles, time_zone, city, created_at, updated_at)
    select 1, 2 + n % 9, 1, 'Drill', 'Person ' || n, 'new', c.now, '{buyer}', 'America/Los_Angeles', 'Saltmarsh', c.now, c.now from generate_series(1, ${DUE}) n, c;
  insert into contact_facts (contact_id) select id from contacts where first_name = 'Drill';
  insert into contact_search (contact_id, account_id, search_text) select id, 1, ' drill ' || lower(last_name) from contacts where first_name = 'Drill';
  insert into contact_points (account_id, contact_id, kind, value)
    select 1, id, 'phone', '+1999' || lpad((row_number() over (order by id))::text, 7, '0') from contacts where first_name = 'Drill'
    union all select 1, id, 'email', 'drill' || id || '@drill.example' from contacts where first_name = 'Drill';
  insert into permissions (account_id, channel, address, state, how, at) select 1, 'text', value, 'granted', 'drill', now() from contact_points where value like '+1999%';
  insert into enrollments (account_id, campaign_id, version_id, contact_id, started_at, due_at, planned_at, step)
    select 1, v.campaign_id, v.id, k.id, c.now, c.now, c.now, case when k.id % 3 = 0 then 1 else 0 end from contacts k, c, campaign_versions v join campaigns p on p.id = v.campaign_id and p.name = 'Drill' where k.first_name = 'Drill';
`;
const PLAN = planOf([
  { channel: 'text', when: { after: 'start', minutes: 0 }, words: { text: 'drill', plain: 'drill' } },
  { channel: 'email', when: { after: 'start', minutes: 0 }, words: { subject: 'drill', text: 'drill', plain: 'drill' } },
]);

await script(async () => {
  rmSync(home, { recursive: true, force: true });
  const cluster = await startCluster(process.env.URRACA_TEST_HOME ?? fromRoot('.urraca', 'test'), port, 'urraca_drill');
  const env = appEnvironment({ home, databaseUrl: cluster.url, ports, habits: false, extra: { WORKER_PULSE_MS: '200' } });
  const urraca = (...args) => runQuietly(process.execPath, [fromRoot(DIST, 'urraca.js'), ...args], { env });
  const made = urraca('demo-world', '--fresh');
  if (!made.ok) throw new Stop(made.err);
  const sql = async (text) => {
    for (;;) {
      const client = new pg.Client({ connectionString: cluster.url });
      client.on('error', () => {});
      try {
        await client.connect();
        return (await client.query(text)).rows;
      } catch (error) {
        if (error.code && /^[0-46-9]/.test(error.code) && !/^(57P|08)/.test(error.code)) throw error;
        await pause(0.2);
      } finally {
        await client.end().catch(() => {});
      }
    }
  };
  await sql(`delete from enrollments where state = 'active'`);
  await sql(
    `with c as (insert into campaigns (account_id, name, created_at) values (1, 'Drill', now()) returning id)
     insert into campaign_versions (account_id, campaign_id, number, plan, made_at) select 1, id, 1, '${PLAN}'::jsonb, now() from c`,
  );
  for (const statement of PEOPLE.trim()
    .split(';')
    .filter((one) => one.trim()))
    await sql(
      statement.replace(/ from generate_series\(1, \d+\) n, c| from contacts k, c(?=,)/, (found) =>
        found.replace(', c', `, (select clock_timestamp() + offset_ms * interval '1 millisecond' as now from clock) c`),
      ),
    );

  let simulator = startSimulator(env, home, DIST);
  let workers = [
    startWorker(env, home, DIST, 'worker-a'),
    startWorker({ ...env, MAIL_DOOR_PORT: '2544' }, home, DIST, 'worker-b'),
  ];
  const weather = (kind) =>
    fetch(`http://127.0.0.1:${ports.simulator}/weather`, { method: 'PUT', body: JSON.stringify({ all: kind }) }).catch(() => {});
  const received = async () => await (await fetch(`http://127.0.0.1:${ports.simulator}/sent`)).json();
  const open = async () =>
    (
      await sql(
        `select (select count(*)::int from enrollments where state = 'active') as enrolled, (select count(*)::int from outbox where state in ('waiting','sending')) as waiting`,
      )
    )[0];
  try {
    await pause(1.5);
    await weather('failing');
    const random = (() => {
      let state = 7;
      return (most) => (state = (state * 48271) % 2147483647) % most;
    })();
    for (let kill = 0; kill < KILLS; kill += 1) {
      await pause(0.3 + random(900) / 1000);
      const which = random(2);
      workers[which].kill('SIGKILL');
      workers[which] = startWorker(which ? { ...env, MAIL_DOOR_PORT: '2544' } : env, home, DIST, which ? 'worker-b' : 'worker-a');
      if (kill === Math.floor(KILLS / 3)) {
        say(`  simulator killed with -9, away for ${AWAY_SECONDS} s`);
        simulator.kill('SIGKILL');
        await pause(AWAY_SECONDS);
        simulator = startSimulator(env, home, DIST);
        await pause(1);
        await weather('failing');
      }
      if (kill === Math.floor((2 * KILLS) / 3)) {
        say('  PostgreSQL stopped at once and started again');
        cluster.crash();
        await pause(1);
        cluster.start();
      }
    }
    await weather('fine');
    await sql(`update outbox set retry_at = null where state = 'waiting'`);
    const until = Date.now() + GIVE_UP_SECONDS * 1000;
    for (let left = await open(); left.enrolled + left.waiting > 0; left = await open()) {
      if (Date.now() > until) throw new Stop(`After ${GIVE_UP_SECONDS} s there are still ${JSON.stringify(left)}`);
      await pause(0.5);
    }
    const { items, repeats } = await received();
    const drill = items.filter(({ body }) => body.startsWith('drill'));
    const per = new Map();
    for (const { channel, to } of drill) per.set(`${channel} ${to}`, (per.get(`${channel} ${to}`) ?? 0) + 1);
    const twice = [...per].filter(([, times]) => times > 1);
    const texts = drill.filter(({ channel }) => channel === 'text').length;
    const emails = drill.filter(({ channel }) => channel === 'email').length;
    const wanted = await sql(
      `select count(*) filter (where id % 3 <> 0)::int as texts, count(*)::int as emails from contacts where first_name = 'Drill'`,
    );
    const lines = await sql(
      `select count(*)::int as n from activities a join contacts c on c.id = a.contact_id where c.first_name = 'Drill' and a.kind = 'message'`,
    );
    const verified = urraca('verify');
    say(`  the simulator's record: ${texts} texts, ${emails} e-mails, ${repeats} repeats taken for the same; ${KILLS} kills`);
    const errors = [
      twice.length && `${twice.length} touches went twice, such as ${twice[0]}`,
      texts !== wanted[0].texts && `${texts} texts instead of ${wanted[0].texts}`,
      emails !== wanted[0].emails && `${emails} e-mails instead of ${wanted[0].emails}`,
      lines[0].n !== texts + emails && `the timelines hold ${lines[0].n} messages instead of ${texts + emails}`,
      !verified.ok && verified.out,
    ].filter(Boolean);
    if (errors.length) throw new Stop(errors.join('\n'));
    say('  every touch reached the outside exactly once');
  } finally {
    await endProcesses([...workers, simulator]);
  }
});
process.exit(0);
