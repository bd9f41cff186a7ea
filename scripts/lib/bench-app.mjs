/** The application that benches run in: the demo world on ports of its own, with its processes, for as long as the work takes; it prints JSON and ends. */
import { readFileSync, rmSync } from 'node:fs';
import { ensureBuilt } from './build.mjs';
import { startCluster } from './cluster.mjs';
import { awaitHealthy, endProcesses, appEnvironment, startSimulator, startWeb, startWorker } from './app.mjs';
import { ensureNodeModules } from './packages.mjs';
import { requirePorts } from './ports.mjs';
import { fromRoot } from './root.mjs';
import { shown } from './run.mjs';
import { Stop } from './say.mjs';

const PORTS = { web: 3200, simulator: 3950, simulatorSmtp: 2556, mailDoor: 2555 };
export const BASE = `http://127.0.0.1:${PORTS.web}`;
export const KEY = { authorization: 'Bearer urraca-demo-key', 'content-type': 'application/json' };

/** A call of the API by key. */
export async function api(path, method = 'GET', body) {
  const response = await fetch(`${BASE}/api/v1${path}`, { method, headers: KEY, body: body && JSON.stringify(body) });
  const text = await response.text();
  if (!response.ok) throw new Stop(`${method} ${path} got ${response.status}: ${text}`);
  return text ? JSON.parse(text) : null;
}

/** Memory of a process in MB: what it has now (`VmRSS`), or the most it ever had (`VmHWM`). */
export const residentMb = (pid, what = 'VmRSS') =>
  Number(new RegExp(`${what}:\\s+(\\d+)`).exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

/** @param work is given the database, the processes, and how they were started; what it answers is printed as JSON */
export async function inBenchApp(work) {
  const home = fromRoot('.urraca', 'bench');
  /* Standard output is for the JSON alone; what steps say goes to standard error. */
  const print = console.log;
  console.log = console.error;
  await ensureNodeModules();
  const { default: pg } = await import('pg');
  await requirePorts(Object.entries(PORTS).map(([what, port]) => [port, `bench: ${what}`, 'stop what holds it']));
  rmSync(home, { recursive: true, force: true });
  const cluster = await startCluster(fromRoot('.urraca', 'bench-db'), Number(process.env.BENCH_PGPORT ?? 55434), 'urraca_bench');
  const children = {};
  const db = new pg.Client({ connectionString: cluster.url });
  try {
    await ensureBuilt();
    const env = appEnvironment({ home, databaseUrl: cluster.url, ports: PORTS });
    const made = await shown(process.execPath, [fromRoot('dist/urraca.js'), 'demo-world', '--fresh'], {
      env,
      stdio: ['ignore', 2, 2],
    });
    if (made !== 0) throw new Stop('The demo world could not be made.');
    await db.connect();
    const began = performance.now();
    Object.assign(children, { simulator: startSimulator(env, home), worker: startWorker(env, home), web: startWeb(env, home) });
    await awaitHealthy(`${BASE}/api/health`, children);
    const startMs = performance.now() - began;
    print(JSON.stringify(await work(db, children, { url: cluster.url, env, startMs }), null, 2));
  } finally {
    await db.end().catch(() => {});
    await endProcesses(Object.values(children));
    cluster.stop();
  }
  process.exit(0);
}
