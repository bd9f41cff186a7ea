/**
 * `npm start`: Urraca for a brokerage of one's own, on real time and without demo data, until Ctrl-C. Its data lives in `.brokerage`, in a private
 * PostgreSQL cluster, or where DATABASE_URL says. What docs/deploying.md names is taken from the environment; what is missing is named.
 * `-- --with-simulator` puts the stand-ins for carriers and mail servers in the places that are empty, to try things out.
 */
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { appEnvironment } from './lib/app.mjs';
import { missingConnections } from './lib/connections.mjs';
import { fromRoot } from './lib/root.mjs';
import { say, script, Stop } from './lib/say.mjs';
import { quietCli, runWhole } from './lib/whole.mjs';

const WITH_SIMULATOR = '--with-simulator';
const simulate = process.argv.includes(WITH_SIMULATOR);
const unknown = process.argv.slice(2).filter((word) => word !== WITH_SIMULATOR);
const home = process.env.URRACA_HOME ?? fromRoot('.brokerage');
/* Other ports than the demo's, which may be looked at beside it. */
const ports = {
  web: Number(process.env.PORT ?? 3001),
  simulator: Number(process.env.SIMULATOR_PORT ?? 3901),
  simulatorSmtp: Number(process.env.SIMULATOR_SMTP_PORT ?? 2536),
  mailDoor: Number(process.env.MAIL_DOOR_PORT ?? 2535),
  postgres: Number(process.env.PGPORT ?? 55433),
};

/** The password of the cluster's role: other users of this machine stay outside. */
function databasePassword() {
  mkdirSync(home, { recursive: true });
  const file = join(home, 'database-password');
  if (!existsSync(file)) writeFileSync(file, randomBytes(24).toString('base64url'), { mode: 0o600 });
  return readFileSync(file, 'utf8').trim();
}

await script(async () => {
  if (unknown.length)
    throw new Stop(`${unknown.join(' ')} is not known here. There is: npm start, npm start -- ${WITH_SIMULATOR}`);
  await runWhole({
    home,
    what: 'brokerage',
    script: 'start.mjs',
    command: 'npm start',
    neededBytes: 1_000_000_000,
    ports,
    simulate,
    password: process.env.DATABASE_URL ? null : databasePassword(),
    environment: (databaseUrl) =>
      appEnvironment({ home, databaseUrl, ports, clock: 'real', demo: false, habits: false, simulate }),
    prepare: (env) => {
      say('Preparing the database …');
      const { ok, err } = quietCli(env, 'migrate');
      if (!ok) throw new Stop(`The database could not be prepared:\n${err}\nMend that and start again.`);
    },
    ready: (env) => {
      const code = foundingCode(env);
      const url = env.PUBLIC_URL;
      const missing = missingConnections(env);
      say(`
  Urraca is ready at  ${url}
${
  code
    ? `
  Set up your brokerage:  ${url}/welcome
  One-time code           ${code}      (good for a day; start again for another)
`
    : ''
}${missing.length ? `\n  Not connected yet (docs/deploying.md):\n${missing.map((line) => `    ${line}`).join('\n')}\n` : ''}
  Your data is in ${home}. Keep a copy of it, with its secrets.
  Ctrl-C stops everything; the next start goes on from here.
`);
    },
  });
});

/** A code to found the first brokerage with; null when there is one already. */
function foundingCode(env) {
  const { ok, out, err } = quietCli(env, 'founding-code', '--if-none');
  if (!ok) throw new Stop(`The one-time code could not be made:\n${err}`);
  return out.trim() || null;
}
