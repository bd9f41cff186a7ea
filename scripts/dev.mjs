/** `npm run dev`: the demo's cluster, simulator and worker, and Next in development mode. The worker is bundled once at the start. */
import { bundle, bundleVisit } from './lib/build.mjs';
import { startCluster } from './lib/cluster.mjs';
import { endProcesses, appEnvironment, startSimulator, startWorker } from './lib/app.mjs';
import { ensureNodeModules } from './lib/packages.mjs';
import { requirePorts } from './lib/ports.mjs';
import { fromRoot } from './lib/root.mjs';
import { shown } from './lib/run.mjs';
import { script, Stop } from './lib/say.mjs';

const home = process.env.URRACA_HOME ?? fromRoot('.urraca');
const ports = { web: 3000, simulator: 3900, simulatorSmtp: 2526, mailDoor: 2525 };

await script(async () => {
  await ensureNodeModules();
  await requirePorts(Object.entries(ports).map(([what, port]) => [port, what, 'stop what holds it']));
  const cluster = await startCluster(home, Number(process.env.PGPORT ?? 55432), 'urraca');
  await bundle('dist-cli');
  await bundleVisit();
  const env = { ...appEnvironment({ home, databaseUrl: cluster.url, ports }), NODE_ENV: 'development' };
  if ((await shown(process.execPath, [fromRoot('dist-cli/urraca.js'), 'demo-world'], { env })) !== 0)
    throw new Stop('The demo world could not be made.');
  const children = [startSimulator(env, home, 'dist-cli'), startWorker(env, home, 'dist-cli')];
  process.on('SIGINT', () => {});
  await shown(
    process.execPath,
    [fromRoot('node_modules/next/dist/bin/next'), 'dev', '-H', '127.0.0.1', '-p', String(ports.web)],
    { env },
  );
  await endProcesses(children);
  cluster.stop();
});
