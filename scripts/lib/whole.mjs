/** The whole of Urraca on this machine until Ctrl-C: one home, its PostgreSQL, its processes watched over. The demo and a brokerage's own are both this. */
import { existsSync, mkdirSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { awaitHealthy, endLeftovers, endProcesses, startSimulator, startWeb, startWorker } from './app.mjs';
import { ensureBuilt } from './build.mjs';
import { startCluster } from './cluster.mjs';
import { ensureNodeModules } from './packages.mjs';
import { requirePorts } from './ports.mjs';
import { fromRoot } from './root.mjs';
import { runQuietly, shown } from './run.mjs';
import { say, Stop } from './say.mjs';
import { supervise } from './supervise.mjs';

/** Where the built application is; tests start one from their own build. */
const build = { dist: process.env.URRACA_DIST ?? 'dist', next: process.env.NEXT_DIST_DIR ?? '.next' };

/** True while the process is this script: not a zombie, and not another program that was given the number since. */
const isRunning = (pid, script) => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(script);
  } catch {
    return false;
  }
};

/** Takes the home for this process. @returns the file that says so */
function takeHome({ home, what, script, neededBytes, command }) {
  try {
    mkdirSync(home, { recursive: true });
  } catch (error) {
    throw new Stop(`The folder ${home} cannot be written (${error.code}). Choose another: URRACA_HOME=… ${command}`);
  }
  const pidFile = join(home, `${what}.pid`);
  const pid = existsSync(pidFile) ? Number(readFileSync(pidFile, 'utf8')) : 0;
  if (pid && pid !== process.pid && isRunning(pid, script))
    throw new Stop(
      `${what === 'demo' ? 'A demo' : 'Urraca'} is running already (process ${pid}). Stop it with Ctrl-C where it was started.`,
    );
  const { bavail, bsize } = statfsSync(home);
  if (bavail * bsize < neededBytes)
    throw new Stop(
      `The disk is nearly full: ${neededBytes / 1e9} GB are needed, there are ${((bavail * bsize) / 1e9).toFixed(1)} GB. Make room and start again.`,
    );
  writeFileSync(pidFile, String(process.pid));
  return pidFile;
}

/** Runs a command of the command line without showing it. */
export const quietCli = (env, ...args) => runQuietly(process.execPath, [fromRoot(build.dist, 'urraca.js'), ...args], { env });
/** Runs a command of the command line. @returns its exit code */
export const cli = (env, ...args) =>
  shown(process.execPath, ['--enable-source-maps', fromRoot(build.dist, 'urraca.js'), ...args], { env });

/**
 * Starts all of it and stays until it is asked to stop.
 * @param whole.ports by process; those of `simulator` and `simulatorSmtp` only with `simulate`
 * @param whole.password of the cluster's role; null for a cluster that trusts this machine
 * @param whole.environment of all processes, from how PostgreSQL is reached
 * @param whole.prepare is done before anything starts
 * @param whole.ready says where it is
 */
export async function runWhole(whole) {
  const { home, ports, simulate } = whole;
  const children = {};
  let cluster;
  let stopping;
  let endWatch = () => {};
  const pidFile = takeHome(whole);
  const end = async () => {
    endWatch();
    await endProcesses(Object.values(children));
    cluster?.stop();
    rmSync(pidFile, { force: true });
  };
  const stop = (code) => {
    stopping ??= (async () => {
      say('\nStopping …');
      await end();
      process.exit(code);
    })();
    return stopping;
  };
  process.on('SIGINT', () => void stop(0));
  process.on('SIGTERM', () => void stop(0));
  try {
    await ensureNodeModules();
    await endLeftovers(home);
    await requirePorts([
      [ports.web, 'pages', 'PORT'],
      ...(simulate
        ? [
            [ports.simulator, 'simulator', 'SIMULATOR_PORT'],
            [ports.simulatorSmtp, 'mailboxes of the simulator', 'SIMULATOR_SMTP_PORT'],
          ]
        : []),
      [ports.mailDoor, 'mail door', 'MAIL_DOOR_PORT'],
    ]);
    if (!process.env.DATABASE_URL) cluster = await startCluster(home, ports.postgres, 'urraca', whole.password);
    const env = whole.environment(process.env.DATABASE_URL ?? cluster.url);
    await ensureBuilt(build);
    await whole.prepare(env);
    const starts = {
      ...(simulate && { simulator: () => startSimulator(env, home, build.dist) }),
      worker: () => startWorker(env, home, build.dist),
      web: () => startWeb(env, home, build.next),
    };
    for (const [name, start] of Object.entries(starts)) children[name] = start();
    await awaitHealthy(`http://127.0.0.1:${ports.web}/api/health`, children);
    endWatch = supervise(children, starts);
    /* Started by npm: when npm is gone, however it ended, nobody waits for this any more. */
    const startedBy = process.ppid;
    if (process.env.npm_lifecycle_event) setInterval(() => process.ppid !== startedBy && void stop(0), 1_000);
    await whole.ready(env);
  } catch (error) {
    await end();
    throw error;
  }
}
