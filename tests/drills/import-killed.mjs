/**
 * The drill of a file that comes in while processes die: web killed with -9 as soon as it has the file, the worker again and again
 * while it looks, takes in and takes back. Afterwards everybody of the file is there once, then nobody, and verify finds nothing.
 */
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { startCluster } from '../../scripts/lib/cluster.mjs';
import { awaitHealthy, endProcesses, appEnvironment, startSimulator, startWeb, startWorker } from '../../scripts/lib/app.mjs';
import { fromRoot } from '../../scripts/lib/root.mjs';
import { runQuietly } from '../../scripts/lib/run.mjs';
import { say, script, Stop } from '../../scripts/lib/say.mjs';

const small = process.argv.includes('--small');
const PEOPLE = small ? 6_000 : 200_000;
const KILLS = small ? 3 : 30;
const GIVE_UP_SECONDS = small ? 180 : 1_800;
const DIST = process.env.DRILL_DIST ?? 'dist-test';
const home = join(process.env.URRACA_TEST_HOME ?? fromRoot('.urraca', 'test'), 'drill-import');
const ports = { web: 3121, simulator: 3931, simulatorSmtp: 2548, mailDoor: 2547 };
const pause = (seconds) => new Promise((resolve) => setTimeout(resolve, seconds * 1000));
const KEY = { authorization: 'Bearer urraca-demo-key' };

await script(async () => {
  rmSync(home, { recursive: true, force: true });
  const port = Number(process.env.TEST_PGPORT ?? 55433);
  const cluster = await startCluster(process.env.URRACA_TEST_HOME ?? fromRoot('.urraca', 'test'), port, 'urraca_drill_import');
  const env = appEnvironment({ home, databaseUrl: cluster.url, ports, habits: false, extra: { WORKER_PULSE_MS: '500' } });
  const urraca = (...args) => runQuietly(process.execPath, [fromRoot(DIST, 'urraca.js'), ...args], { env });
  const made = urraca('demo-world', '--fresh');
  if (!made.ok) throw new Stop(made.err);
  const base = `http://127.0.0.1:${ports.web}`;
  const simulator = startSimulator(env, home, DIST);
  let web = startWeb(env, home, process.env.NEXT_DIST_DIR ?? '.next-test');
  let worker = startWorker(env, home, DIST);
  const killWorker = () => {
    worker.kill('SIGKILL');
    worker = startWorker(env, home, DIST);
  };
  const ask = async (path, method = 'GET', body = undefined) => {
    const answer = await fetch(`${base}/api/v1${path}`, { method, headers: { ...KEY, connection: 'close' }, body });
    if (!answer.ok) throw new Stop(`${method} ${path}: ${answer.status} ${await answer.text()}`);
    return answer.json();
  };
  const until = async (id, going) => {
    for (const end = Date.now() + GIVE_UP_SECONDS * 1000; ;) {
      const state = await ask(`/imports/${id}`);
      if (!going.includes(state.state)) return state;
      if (Date.now() > end)
        throw new Stop(`After ${GIVE_UP_SECONDS} s the import is still ${state.state}, ${state.read} of ${state.total}`);
      await pause(0.2);
    }
  };
  /** Lets the work go on a little, then kills its worker, again and again; the kills fall at other places each time. */
  const killWhile = async (id, going) => {
    for (let kill = 0; kill < KILLS; kill += 1) {
      await pause(0.7 + ((kill * 37) % 11) / 10);
      if (!going.includes((await ask(`/imports/${id}`)).state)) return kill;
      killWorker();
    }
    return KILLS;
  };
  const sql = new pg.Client({ connectionString: cluster.url });
  await sql.connect();
  const here = async () =>
    (
      await sql.query(
        `select count(*)::int as people, count(distinct p.value)::int as addresses from contacts c join contact_points p on p.contact_id = c.id and p.active where c.deleted_at is null and p.value like '%@killed.example'`,
      )
    ).rows[0];
  const check = async (what, wanted) => {
    const found = await here();
    if (found.people !== wanted || found.addresses !== wanted)
      throw new Stop(`${what}: ${found.people} people with ${found.addresses} addresses instead of ${wanted}`);
    const verified = urraca('verify');
    if (!verified.ok) throw new Stop(`${what}: ${verified.out}`);
  };
  try {
    await awaitHealthy(`${base}/api/health`, { web, worker });
    const lines = Array.from(
      { length: PEOPLE },
      (_, n) => `Drill${n},Query${n % 997},n${n}@killed.example,Saltmarsh,98741,drilled`,
    );
    const { id } = await ask('/imports?name=killed.csv', 'POST', `First,Last,Email,City,Zip,Tags\n${lines.join('\n')}\n`);
    web.kill('SIGKILL');
    web = startWeb(env, home, process.env.NEXT_DIST_DIR ?? '.next-test');
    killWorker();
    await awaitHealthy(`${base}/api/health`, { web, worker });
    const looked = await until(id, ['uploading', 'looking']);
    if (looked.state !== 'ready' || looked.look.rows !== PEOPLE)
      throw new Stop(`The look ended ${looked.state}: ${looked.sentence}`);
    await ask(`/imports/${id}/start`, 'POST');
    const kills = await killWhile(id, ['waiting', 'running']);
    const done = await until(id, ['waiting', 'running']);
    if (done.state !== 'done' || done.made !== PEOPLE)
      throw new Stop(`The import ended ${done.state} with ${done.made} of ${PEOPLE} people`);
    await check('taken in', PEOPLE);
    await ask(`/imports/${id}/undo`, 'POST');
    const back = await killWhile(id, ['undoing']);
    const undone = await until(id, ['undoing']);
    if (undone.state !== 'undone') throw new Stop(`Taking back ended ${undone.state}`);
    await check('taken back', 0);
    say(`  ${PEOPLE} people once, then nobody; the worker killed ${kills} and ${back} times, web once`);
  } finally {
    await sql.end();
    await endProcesses([worker, web, simulator]);
  }
});
process.exit(0);
