/** `npm run drill`: the reliability drills at their full length. */
import { ensureBuilt } from './lib/build.mjs';
import { startCluster } from './lib/cluster.mjs';
import { ensureNodeModules } from './lib/packages.mjs';
import { fromRoot } from './lib/root.mjs';
import { shown } from './lib/run.mjs';
import { script } from './lib/say.mjs';

await script(async () => {
  await ensureNodeModules();
  await ensureBuilt({ dist: 'dist-test', next: '.next-test' });
  const cluster = await startCluster(fromRoot('.urraca', 'test'), Number(process.env.TEST_PGPORT ?? 55433), 'urraca_drill');
  let code = 0;
  for (const drill of ['exactly-once.mjs', 'import-killed.mjs', 'crafted.mjs'])
    code ||= await shown(process.execPath, [fromRoot('tests/drills', drill), ...process.argv.slice(2)]);
  cluster.stop();
  const YEAR_PEOPLE = process.argv.includes('--small') ? '60' : '10000';
  code ||= await shown(process.execPath, [fromRoot('scripts', 'test.mjs'), '--only', 'db', 'tests/db/year', 'tests/db/random'], {
    env: { ...process.env, YEAR_PEOPLE, RANDOM_OPERATIONS: '10000' },
  });
  process.exit(code);
});
