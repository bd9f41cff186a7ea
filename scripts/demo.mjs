/**
 * `npm run demo`: the whole of Urraca on this machine, with the demo brokerage, until Ctrl-C.
 * `-- --fresh` begins again with new data. DATABASE_URL uses that server instead of a private cluster.
 */
import { existsSync, mkdirSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt } from './lib/build.mjs';
import { startCluster } from './lib/cluster.mjs';
import { awaitHealthy, endLeftovers, endProcesses, appEnvironment, startSimulator, startWeb, startWorker } from './lib/app.mjs';
import { ensureNodeModules } from './lib/packages.mjs';
import { requirePorts } from './lib/ports.mjs';
import { fromRoot } from './lib/root.mjs';
import { shown } from './lib/run.mjs';
import { say, script, Stop } from './lib/say.mjs';
import { supervise } from './lib/supervise.mjs';

const fresh = process.argv.includes('--fresh');
/** Half a million contacts instead of four thousand; only when the world is made. */
const scale = process.argv.includes('--scale');
const unknown = process.argv.slice(2).filter((word) => word !== '--fresh' && word !== '--scale');
const home = process.env.URRACA_HOME ?? fromRoot('.urraca');
const ports = {
  web: Number(process.env.PORT ?? 3000),
  simulator: Number(process.env.SIMULATOR_PORT ?? 3900),
  simulatorSmtp: Number(process.env.SIMULATOR_SMTP_PORT ?? 2526),
  mailDoor: Number(process.env.MAIL_DOOR_PORT ?? 2525),
  postgres: Number(process.env.PGPORT ?? 55432),
};
/** Where the built application is; tests start a demo from their own build. */
const build = { dist: process.env.URRACA_DIST ?? 'dist', next: process.env.NEXT_DIST_DIR ?? '.next' };
const pidFile = join(home, 'demo.pid');
const NEEDED_BYTES = 1_500_000_000;

/** True while the process is a demo: not a zombie, and not another program that was given the number since. */
const isDemo = (pid) => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('demo.mjs');
  } catch {
    return false;
  }
};

function takeHome() {
  try {
    mkdirSync(home, { recursive: true });
  } catch (error) {
    throw new Stop(`The folder ${home} cannot be written (${error.code}). Choose another: URRACA_HOME=… npm run demo`);
  }
  const pid = existsSync(pidFile) ? Number(readFileSync(pidFile, 'utf8')) : 0;
  if (pid && pid !== process.pid && isDemo(pid))
    throw new Stop(`A demo is running already (process ${pid}). Stop it with Ctrl-C where it was started.`);
  const { bavail, bsize } = statfsSync(home);
  if (bavail * bsize < NEEDED_BYTES)
    throw new Stop(
      `The disk is nearly full: the demo needs 1.5 GB free, there are ${((bavail * bsize) / 1e9).toFixed(1)} GB. Make room and start again.`,
    );
  writeFileSync(pidFile, String(process.pid));
}

await script(async () => {
  if (unknown.length)
    throw new Stop(
      `${unknown.join(' ')} is not known here. There is: npm run demo, npm run demo -- --fresh, npm run demo -- --scale`,
    );
  const children = {};
  let cluster;
  let stopping;
  let endWatch = () => {};
  const stop = (code) => {
    stopping ??= (async () => {
      say('\nStopping …');
      endWatch();
      await endProcesses(Object.values(children));
      cluster?.stop();
      rmSync(pidFile, { force: true });
      process.exit(code);
    })();
    return stopping;
  };
  takeHome();
  process.on('SIGINT', () => void stop(0));
  process.on('SIGTERM', () => void stop(0));
  try {
    await ensureNodeModules();
    await endLeftovers(home);
    await requirePorts([
      [ports.web, 'pages', 'PORT'],
      [ports.simulator, 'simulator', 'SIMULATOR_PORT'],
      [ports.simulatorSmtp, 'mailboxes of the simulator', 'SIMULATOR_SMTP_PORT'],
      [ports.mailDoor, 'mail door', 'MAIL_DOOR_PORT'],
    ]);
    if (!process.env.DATABASE_URL) cluster = await startCluster(home, ports.postgres, 'urraca');
    const env = appEnvironment({ home, databaseUrl: process.env.DATABASE_URL ?? cluster.url, ports });
    await ensureBuilt(build);
    if (fresh) rmSync(join(home, 'simulator'), { recursive: true, force: true });
    const prepared = await shown(
      process.execPath,
      [
        '--enable-source-maps',
        fromRoot(build.dist, 'urraca.js'),
        'demo-world',
        ...(fresh ? ['--fresh'] : []),
        ...(scale ? ['--scale'] : []),
      ],
      { env },
    );
    if (prepared !== 0)
      throw new Stop('The demo world could not be made (see above). Mend that and start again; it begins anew.');
    children.simulator = startSimulator(env, home, build.dist);
    children.worker = startWorker(env, home, build.dist);
    children.web = startWeb(env, home, build.next);
    await awaitHealthy(`http://127.0.0.1:${ports.web}/api/health`, children);
    endWatch = supervise(children, {
      simulator: () => startSimulator(env, home, build.dist),
      worker: () => startWorker(env, home, build.dist),
      web: () => startWeb(env, home, build.next),
    });
    /* Started by npm: when npm is gone, however it ended, nobody waits for this any more. */
    const startedBy = process.ppid;
    if (process.env.npm_lifecycle_event) setInterval(() => process.ppid !== startedBy && void stop(0), 1_000);
    say(`
  Urraca is ready at  http://127.0.0.1:${ports.web}

  Log in as           admin@urraca.example     (Ines Kolar, runs the office)
                      agent1@urraca.example    … agent9, caller@, lender@
  Password            urraca-demo
  API key             urraca-demo-key
  The world outside   http://127.0.0.1:${ports.simulator}
  A public page       http://127.0.0.1:${ports.web}/p/lantern-county

  Ctrl-C stops everything; the next start goes on from here.  npm run demo -- --fresh  begins again.
`);
  } catch (error) {
    await endProcesses(Object.values(children));
    cluster?.stop();
    rmSync(pidFile, { force: true });
    throw error;
  }
});
