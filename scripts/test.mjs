/**
 * `npm test`: everything, on a fresh machine too and beside a running demo: type check, lint, layers, core tests, tests on
 * PostgreSQL, journeys in a browser against the built application, a drill. `-- --only core,db,journeys,drills,static` runs some.
 */
import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { bundle, ensureBuilt } from './lib/build.mjs';
import { startCluster } from './lib/cluster.mjs';
import { awaitHealthy, endProcesses, appEnvironment, startSimulator, startWeb, startWorker } from './lib/app.mjs';
import { ensureChromium, ensureNodeModules } from './lib/packages.mjs';
import { requirePorts } from './lib/ports.mjs';
import { fromRoot } from './lib/root.mjs';
import { runQuietly, shown } from './lib/run.mjs';
import { say, script, Stop } from './lib/say.mjs';
import { startTlsProxy } from './lib/tls.mjs';

const only = process.argv.includes('--only') ? process.argv[process.argv.indexOf('--only') + 1]?.split(',') : null;
const rest = process.argv.includes('--only') ? process.argv.slice(process.argv.indexOf('--only') + 2) : [];
const wanted = (part) => !only || only.includes(part);
const home = process.env.URRACA_TEST_HOME ?? fromRoot('.urraca', 'test');
const port = Number(process.env.TEST_PGPORT ?? 55433);
const bin = (name) => fromRoot('node_modules', '.bin', name);

const psql = (cluster, sql) =>
  runQuietly('psql', ['-X', '-q', '-t', '-A', cluster.admin, '-c', sql], {
    env: { ...process.env, PATH: `${cluster.programs}:${process.env.PATH}` },
  }).out;

/** The migrated database that each case of the database suite is copied from; what an interrupted run left behind goes. */
async function makeTemplate(cluster) {
  const left = psql(cluster, `select datname from pg_database where datname like 'urraca_case_%' or datname = 'urraca_template'`);
  for (const name of left.split('\n').filter(Boolean)) psql(cluster, `drop database "${name}" with (force)`);
  psql(cluster, 'create database urraca_template');
  await bundle('dist-cli');
  const env = appEnvironment({
    home,
    databaseUrl: `postgres://postgres@127.0.0.1:${port}/urraca_template`,
    ports: { web: 0, simulator: 0, simulatorSmtp: 0, mailDoor: 0 },
  });
  if ((await shown(process.execPath, [fromRoot('dist-cli/urraca.js'), 'migrate'], { env })) !== 0)
    throw new Stop('The schema could not be made.');
}

/** Each case of the database suite is thrown away: nothing of it must outlive a loss of power. The drills, which crash, ask for that again. */
function syncToDisk(cluster, on) {
  for (const setting of ['fsync', 'full_page_writes', 'synchronous_commit'])
    psql(cluster, on ? `alter system reset ${setting}` : `alter system set ${setting} = off`);
  psql(cluster, 'select pg_reload_conf()');
}

/** The tests of the core that measure time. */
const timedTests = () =>
  readdirSync(fromRoot('src'), { recursive: true })
    .filter((file) => file.endsWith('.test.ts') && readFileSync(fromRoot('src', file), 'utf8').includes('ownTime'))
    .map((file) => `src/${file}`);

/** The same pages once more, as they stand behind a proxy that ends TLS. */
const TLS_PORTS = { web: 3101, proxy: 3443 };
const PORTS = { web: 3100, simulator: 3910, simulatorSmtp: 2536, mailDoor: 2535 };

/** The built application with the demo world, on ports of its own, for as long as `work` takes. */
async function withApp(cluster, work) {
  const folder = join(home, 'journeys');
  const env = appEnvironment({
    home: folder,
    databaseUrl: cluster.url,
    ports: PORTS,
    extra: { PUBLIC_URL: `http://127.0.0.1:${PORTS.web}` },
  });
  await requirePorts(
    [...Object.entries(PORTS), ...Object.entries(TLS_PORTS)].map(([what, port]) => [
      port,
      `tests: ${what}`,
      'stop what holds it',
    ]),
  );
  /* A journey founds a second brokerage, which the demo world would not empty. */
  psql(cluster, 'drop database if exists urraca_journeys with (force)');
  psql(cluster, 'create database urraca_journeys owner urraca');
  if ((await shown(process.execPath, [fromRoot('dist-test/urraca.js'), 'demo-world', '--fresh'], { env })) !== 0)
    throw new Stop('The demo world could not be made.');
  const children = {
    simulator: startSimulator(env, folder, 'dist-test'),
    worker: startWorker(env, folder, 'dist-test'),
    web: startWeb(env, folder, '.next-test'),
  };
  try {
    await awaitHealthy(`${env.PUBLIC_URL}/api/health`, children);
    const secure = `https://127.0.0.1:${TLS_PORTS.proxy}`;
    const behind = { ...env, PORT: String(TLS_PORTS.web), PUBLIC_URL: secure, TRUSTED_PROXIES: 'loopback' };
    children.behind = startWeb(behind, join(folder, 'behind'), '.next-test');
    children.proxy = startTlsProxy(folder, TLS_PORTS.proxy, TLS_PORTS.web);
    await awaitHealthy(`http://127.0.0.1:${TLS_PORTS.web}/api/health`, { behind: children.behind });
    return await work(env.PUBLIC_URL, { ...env, TLS_URL: secure });
  } finally {
    await endProcesses(Object.values(children));
  }
}

/** Axe over the parts of the interface, which needs no application. */
const GALLERY = 'gallery.spec.ts';
/** Axe over the main views, which changes nothing. */
const VIEWS = 'views.spec.ts';
/** A year of follow-up, played through twice: it waits for nobody, and goes beside what waits for a browser. */
const YEAR = 'tests/db/year.test.ts';
/** What measures how soon something is seen: nothing runs beside it. */
const IN_TIME = 'in-time.spec.ts';

const drill =
  (step, own) =>
  (name, file, ...args) =>
    step(name, () =>
      shown(process.execPath, [fromRoot('tests/drills', file), ...args], { env: { ...process.env, ...own, NODE_ENV: 'test' } }),
    );

/** What is killed and crashed, on a cluster of its own beside what must not be. */
async function crashDrills(step) {
  const own = { URRACA_TEST_HOME: join(home, 'drills'), TEST_PGPORT: String(port + 1) };
  const cluster = await startCluster(own.URRACA_TEST_HOME, port + 1, 'urraca_drill');
  try {
    await drill(step, own)('drill: exactly once', 'exactly-once.mjs', '--small');
    await drill(step, own)('drill: a file while processes die', 'import-killed.mjs', '--small');
  } finally {
    cluster.stop();
  }
}

/** What measures how long something takes: nothing runs beside it. */
async function timedDrills(step) {
  await drill(step, {})('fuzz: crafted input', 'crafted.mjs', '--small');
  await drill(step, {})('drill: starting the demo', 'demo-start.mjs');
}

/** What reads code and needs nothing running: two at a time, for two processors; more at once would be slower together. */
async function inTwoLanes(step, steps) {
  const left = [...steps];
  const lane = async () => {
    for (let next = left.shift(); next; next = left.shift()) await step(...next);
  };
  await Promise.all([lane(), lane()]);
}
const LAYERED = ['src', 'simulator', 'migrations', 'scripts', 'tests'];

/**
 * Journeys mostly wait for what they see: what changes nothing, and what has databases of its own, have the other processor.
 * @param year plays the year, when it is wanted
 */
async function inTheBrowser(step, env, year) {
  const play = (specs, output) => shown(bin('playwright'), ['test', ...specs, '--output', `.urraca/results/${output}`], { env });
  const buildGallery = () => shown(bin('ladle'), ['build']);
  if (rest.length) {
    await step('journeys', async () => (rest.includes(GALLERY) && (await buildGallery())) || play(rest, 'journeys'));
    return;
  }
  await step('journeys, in time', () => play([IN_TIME], 'in-time'));
  const specs = readdirSync(fromRoot('tests/journeys')).filter(
    (file) => file.endsWith('.spec.ts') && ![IN_TIME, GALLERY, VIEWS].includes(file),
  );
  const lanes = [
    () => step('journeys', () => play(specs, 'journeys')),
    async () => {
      await step('views', () => play([VIEWS], 'views'));
      await step('gallery', async () => (await buildGallery()) || play([GALLERY], 'gallery'));
      if (wanted('drills')) await crashDrills(step);
      if (year) await year();
    },
  ];
  const ended = await Promise.allSettled(lanes.map((lane) => lane()));
  for (const { reason } of ended) if (reason) throw reason;
}

await script(async () => {
  await ensureNodeModules();
  /* Whatever a reporter writes down stands at the end, where it is found. */
  process.env.URRACA_FAILURES = fromRoot('.urraca', 'failures.txt');
  rmSync(process.env.URRACA_FAILURES, { force: true });
  const results = [];
  const step = async (name, run) => {
    const began = Date.now();
    say(`\n── ${name}`);
    const code = await run();
    results.push({ name, ok: code === 0, seconds: Math.round((Date.now() - began) / 1000) });
  };
  const jest = (projects, ...args) => shown(bin('jest'), ['--selectProjects', ...projects, ...args]);
  /* What measures time runs alone, after the rest. */
  const timed = timedTests();
  const run = (name, program, ...args) => [name, () => shown(bin(program), args)];
  const alone = ['--maxWorkers', '1', '--testPathIgnorePatterns', ...timed];
  /* The longest first, so that both processors are done at the same time. */
  await inTwoLanes(step, [
    ...(wanted('core') && rest.length ? [['core', () => jest(['core', 'ui'], '--maxWorkers', '2', ...rest)]] : []),
    ...(wanted('core') && !rest.length ? [['ui', () => jest(['ui'], ...alone)]] : []),
    ...(wanted('static') ? [run('lint', 'eslint', '.', '--max-warnings', '0')] : []),
    ...(wanted('core') && !rest.length ? [['core', () => jest(['core'], ...alone)]] : []),
    ...(wanted('static')
      ? [
          run('types', 'tsc', '--noEmit'),
          run('format', 'prettier', '--check', '.'),
          run('layers', 'depcruise', '--config', '.dependency-cruiser.cjs', ...LAYERED),
        ]
      : []),
  ]);
  if (wanted('core') && !rest.length) await step('core, in time', () => jest(['core', 'ui'], '--runTestsByPath', ...timed));
  let cluster;
  if (wanted('db') || wanted('journeys') || wanted('drills')) cluster = await startCluster(home, port, 'urraca_journeys');
  const env = {
    ...process.env,
    TEST_POSTGRES: `postgres://postgres@127.0.0.1:${port}`,
    NODE_ENV: 'test',
    READER_FILE: fromRoot('dist-cli', 'reader.js'),
  };
  const db = (...args) => shown(bin('jest'), ['--selectProjects', 'db', ...args], { env });
  const yearLater = wanted('db') && wanted('journeys') && !rest.length;
  const year = yearLater && (() => step('PostgreSQL: a year', () => db('--runTestsByPath', YEAR)));
  try {
    /* A run that was interrupted may have left it off. */
    if (cluster) syncToDisk(cluster, true);
    if (wanted('db')) {
      syncToDisk(cluster, false);
      await makeTemplate(cluster);
      await step('PostgreSQL', () => db('--maxWorkers', '2', ...(yearLater ? ['--testPathIgnorePatterns', YEAR] : rest)));
      syncToDisk(cluster, true);
    }
    if (wanted('journeys') || wanted('drills')) await ensureBuilt({ dist: 'dist-test', next: '.next-test' });
    if (wanted('drills')) await timedDrills(step);
    if (wanted('journeys')) {
      await ensureChromium();
      rmSync(`${home}/journeys`, { recursive: true, force: true });
      await withApp(cluster, (url, appEnv) => inTheBrowser(step, { ...appEnv, NODE_ENV: 'test', BASE_URL: url }, year));
    } else if (wanted('drills')) await crashDrills(step);
  } finally {
    cluster?.stop();
  }
  const failed = results.filter(({ ok }) => !ok);
  say(`\n${results.map(({ name, ok, seconds }) => `${ok ? 'ok    ' : 'FAILED'} ${name} (${seconds} s)`).join('\n')}`);
  if (existsSync(process.env.URRACA_FAILURES)) say(`\n${readFileSync(process.env.URRACA_FAILURES, 'utf8')}`);
  say(`\n${results.length - failed.length} passed, ${failed.length} failed`);
  if (failed.length) throw new Stop(`Failed: ${failed.map(({ name }) => name).join(', ')}`);
});
