/** One application: the processes of Urraca with their ports, secrets and folders. The demo, the tests and the drills each start one of their own. */
import { randomBytes } from 'node:crypto';
import { appendFileSync, closeSync, existsSync, mkdirSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { fromRoot, ROOT } from './root.mjs';
import { Stop } from './say.mjs';

/** A secret of the application, made once and kept in its home for this user only. */
function secretIn(home, name) {
  const file = join(home, name);
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600 });
  return readFileSync(file, 'utf8').trim();
}

/**
 * The environment of all processes of an application.
 * @param options.demo the demo world, which nothing from outside is put into: what the caller's environment says of carriers does not count
 * @param options.simulate the stand-ins for the world outside, where the caller's environment names nobody
 */
export function appEnvironment({
  home,
  databaseUrl,
  ports,
  clock = 'simulated',
  demo = true,
  habits = true,
  simulate = true,
  extra = {},
}) {
  mkdirSync(home, { recursive: true });
  const given = demo ? {} : process.env;
  return {
    ...process.env,
    NODE_ENV: 'production',
    NEXT_TELEMETRY_DISABLED: '1',
    DATABASE_URL: databaseUrl,
    URRACA_SECRET: given.URRACA_SECRET ?? secretIn(home, 'secret'),
    HOOK_SECRET: given.HOOK_SECRET ?? secretIn(home, 'hook-secret'),
    PUBLIC_URL: process.env.PUBLIC_URL ?? `http://127.0.0.1:${ports.web}`,
    PORT: String(ports.web),
    URRACA_DEMO: demo ? '1' : '0',
    URRACA_CLOCK: clock,
    ...(simulate && simulatorEnvironment(ports, habits, given)),
    SIMULATOR_HOME: join(home, 'simulator'),
    MAIL_DOOR_PORT: String(ports.mailDoor),
    ...extra,
  };
}

const simulatorEnvironment = (ports, habits, given) => ({
  SIMULATOR_URL: `http://127.0.0.1:${ports.simulator}`,
  SIMULATOR_PORT: String(ports.simulator),
  SIMULATOR_SMTP_PORT: String(ports.simulatorSmtp),
  SIMULATOR_HABITS: habits ? '1' : '0',
  SMTP_URL: given.SMTP_URL ?? `smtp://127.0.0.1:${ports.simulatorSmtp}`,
});

/** The ids of the processes that an application started, for the case that whoever started them is killed. */
const CHILDREN = 'children.pids';

/** Ends processes that an earlier start of the same home left behind, known by their id and by the home in their environment. */
export async function endLeftovers(home) {
  const file = join(home, CHILDREN);
  if (!existsSync(file)) return;
  const ids = readFileSync(file, 'utf8').split('\n').filter(Boolean).map(Number);
  const ours = (id) => {
    try {
      return readFileSync(`/proc/${id}/environ`, 'utf8').includes(`SIMULATOR_HOME=${join(home, 'simulator')}\0`);
    } catch {
      return false;
    }
  };
  for (const id of ids.filter(ours)) process.kill(id, 'SIGTERM');
  for (let waited = 0; waited < 60 && ids.some(ours); waited += 1) await new Promise((resolve) => setTimeout(resolve, 200));
  for (const id of ids.filter(ours)) process.kill(id, 'SIGKILL');
  rmSync(file, { force: true });
}

/** Starts a process of the application, its output in the home's log folder. */
export function startProcess(name, args, env, home, cwd = ROOT) {
  const folder = join(home, 'log');
  mkdirSync(folder, { recursive: true });
  const log = openSync(join(folder, `${name}.log`), 'a');
  const child = spawn(process.execPath, ['--import', fromRoot('scripts/lib/alive.mjs'), ...args], {
    cwd,
    env,
    stdio: ['ignore', log, log, 'ipc'],
  });
  closeSync(log);
  child.logFile = join(folder, `${name}.log`);
  if (child.pid) appendFileSync(join(home, CHILDREN), `${child.pid}\n`);
  return child;
}

export const startSimulator = (env, home, dist = 'dist') =>
  startProcess('simulator', ['--enable-source-maps', '--max-old-space-size=256', fromRoot(dist, 'simulator.js')], env, home);
export const startWorker = (env, home, dist = 'dist', name = 'worker') =>
  startProcess(
    name,
    ['--enable-source-maps', '--max-old-space-size=224', fromRoot(dist, 'worker.js')],
    { ...env, READER_FILE: fromRoot(dist, 'reader.js') },
    home,
  );
/** Where the other processes are built beside a build of the pages: `dist` beside `.next`, `dist-test` beside `.next-test`. */
const distOf = (next) => next.replace('.next', 'dist');
export const startWeb = (env, home, next = '.next') =>
  startProcess(
    'web',
    ['--enable-source-maps', '--max-old-space-size=512', fromRoot(distOf(next), 'web.js'), '-H', '127.0.0.1', '-p', env.PORT],
    { ...env, NEXT_DIST_DIR: next, READER_FILE: fromRoot(distOf(next), 'reader.js') },
    home,
  );

/** Waits until a URL answers with success. Stops waiting when the process has ended. */
export async function awaitHealthy(url, children, seconds = 60) {
  const until = Date.now() + seconds * 1000;
  while (Date.now() < until) {
    for (const [name, child] of Object.entries(children)) {
      if (child.exitCode !== null || child.signalCode)
        throw new Stop(`The ${name} process ended at once. Its last words:\n${lastWords(child)}`);
    }
    const answer = await fetch(url, { signal: AbortSignal.timeout(3_000) }).catch(() => null);
    if (answer?.ok) return;
    await new Promise((resolve) => setTimeout(resolve, 150));
  }
  throw new Stop(
    `${url} did not answer within ${seconds} s. The last words of its processes:\n${Object.values(children).map(lastWords).join('\n')}`,
  );
}

const lastWords = (child) =>
  existsSync(child.logFile) ? readFileSync(child.logFile, 'utf8').trim().split('\n').slice(-8).join('\n') : '';

/** Ends processes by their id: asked first, killed after ten seconds. */
export async function endProcesses(children) {
  await Promise.all(
    children.map(
      (child) =>
        new Promise((resolve) => {
          if (child.exitCode !== null || child.signalCode) return resolve();
          const timer = setTimeout(() => child.kill('SIGKILL'), 10_000);
          child.once('exit', () => {
            clearTimeout(timer);
            resolve();
          });
          child.kill('SIGTERM');
        }),
    ),
  );
}
