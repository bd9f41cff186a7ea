/** Building, only when something that is built has changed since: the worker, simulator, command line and the scripts of public pages by esbuild, the web by Next. */
import { createHash } from 'node:crypto';
import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { alone } from './alone.mjs';
import { fromRoot } from './root.mjs';
import { shown } from './run.mjs';
import { say, Stop } from './say.mjs';

const SOURCES = [
  'src',
  'simulator',
  'migrations',
  'scripts/world',
  'scripts/cli.ts',
  'next.config.ts',
  'package-lock.json',
  'tsconfig.json',
  'tests/bench',
  'tests/harness/crafted.ts',
  'tests/harness/crafted-files.ts',
];

function* filesUnder(path) {
  const full = fromRoot(path);
  if (!existsSync(full)) return;
  let entries;
  try {
    entries = readdirSync(full, { withFileTypes: true });
  } catch {
    yield path;
    return;
  }
  for (const entry of entries.sort((a, b) => (a.name < b.name ? -1 : 1))) {
    if (entry.isDirectory()) yield* filesUnder(join(path, entry.name));
    else if (!/\.test\.tsx?$/.test(entry.name)) yield join(path, entry.name);
  }
}

function fingerprint() {
  const hash = createHash('sha256').update(process.version);
  for (const source of SOURCES) for (const file of filesUnder(source)) hash.update(file).update(readFileSync(fromRoot(file)));
  return hash.digest('hex');
}

/** Bundles everything that is not the web into `dist`. Takes about a second. */
export async function bundle(dist) {
  const { build, stop } = await import('esbuild');
  rmSync(fromRoot(dist), { recursive: true, force: true });
  mkdirSync(fromRoot(dist), { recursive: true });
  await build({
    entryPoints: {
      worker: fromRoot('src/worker/main.ts'),
      simulator: fromRoot('simulator/main.ts'),
      web: fromRoot('src/web/main.ts'),
      'file-reader': fromRoot('src/worker/reading/file-reader.ts'),
      preview: fromRoot('src/worker/reading/preview.ts'),
      reader: fromRoot('src/worker/reading/reader.ts'),
      urraca: fromRoot('scripts/cli.ts'),
      crafted: fromRoot('tests/harness/crafted.ts'),
      bench: fromRoot('tests/bench/main.ts'),
      'bench-database': fromRoot('tests/bench/database.ts'),
      'bench-routing': fromRoot('tests/bench/routing.ts'),
      'bench-messages': fromRoot('tests/bench/messages.ts'),
    },
    outdir: fromRoot(dist),
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    packages: 'external',
    sourcemap: 'linked',
    tsconfig: fromRoot('tsconfig.json'),
    logLevel: 'error',
  });
  await stop();
}

/** Scripts, letters and colours of the public pages, into `public/visit`: small, and the same for every page. */
export async function bundleVisit() {
  const { build, stop } = await import('esbuild');
  const folder = fromRoot('public/visit');
  mkdirSync(folder, { recursive: true });
  await build({
    entryPoints: Object.fromEntries(
      ['sign-in', 'keeper', 'search', 'embedded'].map((name) => [name, fromRoot(`src/ui/pages/scripts/${name}.ts`)]),
    ),
    outdir: folder,
    bundle: true,
    minify: true,
    platform: 'browser',
    target: 'es2022',
    format: 'iife',
    loader: { '.png': 'dataurl' },
    tsconfig: fromRoot('tsconfig.json'),
    logLevel: 'error',
  });
  await stop();
  for (const [name, file] of [
    ['figtree', 'figtree/files/figtree-latin-wght-normal.woff2'],
    ['bricolage', 'bricolage-grotesque/files/bricolage-grotesque-latin-wght-normal.woff2'],
  ])
    copyFileSync(fromRoot('node_modules/@fontsource-variable', file), join(folder, `${name}.woff2`));
}

/** Builds into the folders `dist` and `next` unless they are of today's sources. */
export async function ensureBuilt({ dist = 'dist', next = '.next' } = {}) {
  const print = fingerprint();
  const stamp = fromRoot(dist, '.stamp');
  const there = () =>
    existsSync(stamp) &&
    readFileSync(stamp, 'utf8') === print &&
    existsSync(fromRoot(next, 'BUILD_ID')) &&
    existsSync(fromRoot('public/visit/sign-in.js'));
  if (there()) return;
  await alone('building', async () => {
    if (there()) return;
    say('Building …');
    await bundle(dist);
    await bundleVisit();
    const code = await shown(process.execPath, [fromRoot('node_modules/next/dist/bin/next'), 'build'], {
      env: { ...process.env, NODE_ENV: 'production', NEXT_DIST_DIR: next, NEXT_TELEMETRY_DISABLED: '1' },
      stdio: ['ignore', process.env.CI ? 'inherit' : 'ignore', 'inherit'],
    });
    if (code !== 0) throw new Stop('The build failed (see above).');
    writeFileSync(stamp, print);
  });
}
