/** What the project needs from outside, installed when it is found missing: node modules, PostgreSQL, Chromium. */
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { alone } from './alone.mjs';
import { fromRoot } from './root.mjs';
import { runQuietly, shown } from './run.mjs';
import { say, Stop } from './say.mjs';

const MARK = fromRoot('node_modules', '.urraca-lock');

/** Installs node modules when there are none or when the lock file has changed since. A half-finished install is begun again. */
export async function ensureNodeModules() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 9)) throw new Stop(`Urraca needs Node 20.9 or newer; this is ${process.version}.`);
  const lock = createHash('sha256')
    .update(readFileSync(fromRoot('package-lock.json')))
    .digest('hex');
  const there = () => existsSync(MARK) && readFileSync(MARK, 'utf8') === lock;
  if (there()) return;
  await alone('installing', async () => {
    if (there()) return;
    say('Installing node modules …');
    const code = await shown('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
      env: { ...process.env, NODE_ENV: '' },
      stdio: ['ignore', process.stderr, 'inherit'],
    });
    if (code !== 0)
      throw new Stop(
        'The node modules could not be installed (npm ci failed, see above). Check the network and the disk, then start again.',
      );
    writeFileSync(MARK, lock);
  });
}

/** The folder of PostgreSQL's programs, the newest version there is; null when it is not installed. */
export function postgresPrograms() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return null;
  const versions = readdirSync(base)
    .filter((version) => existsSync(`${base}/${version}/bin/initdb`))
    .sort((a, b) => Number(b) - Number(a));
  return versions.length ? `${base}/${versions[0]}/bin` : null;
}

async function aptInstall(names, what) {
  const root = process.getuid?.() === 0;
  const asRoot = root ? [] : ['sudo', '-n'];
  if (!root && !runQuietly('sudo', ['-n', 'true']).ok) {
    throw new Stop(
      `${what} is not installed and this user may not install it. Ask somebody who may to run: apt-get install ${names.join(' ')}\nThen start again.`,
    );
  }
  say(`Installing ${what} from Debian's packages …`);
  const apt = (...args) =>
    shown(asRoot[0] ?? 'apt-get', [...(asRoot.length ? [...asRoot.slice(1), 'apt-get'] : []), ...args], {
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
  await apt('update', '-qq');
  if ((await apt('install', '-y', '-qq', '--no-install-recommends', ...names)) !== 0)
    throw new Stop(`${what} could not be installed (see above). Mend that and start again.`);
}

/** PostgreSQL from Debian's packages, without the package's own cluster. */
export async function ensurePostgres() {
  const there = postgresPrograms();
  if (there) return there;
  if (process.getuid?.() === 0 && !existsSync('/etc/postgresql-common/createcluster.conf')) {
    mkdirSync('/etc/postgresql-common', { recursive: true });
    writeFileSync('/etc/postgresql-common/createcluster.conf', 'create_main_cluster = false\n');
  }
  await aptInstall(['postgresql'], 'PostgreSQL');
  const programs = postgresPrograms();
  if (!programs) throw new Stop('PostgreSQL was installed but its programs were not found under /usr/lib/postgresql.');
  return programs;
}

export const CHROMIUM = '/usr/bin/chromium';
export async function ensureChromium() {
  if (!existsSync(CHROMIUM)) await aptInstall(['chromium'], 'Chromium');
}
