/**
 * `npm run demo`: the whole of Urraca on this machine, with the demo brokerage, until Ctrl-C.
 * `-- --fresh` begins again with new data. DATABASE_URL uses that server instead of a private cluster.
 */
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { appEnvironment } from './lib/app.mjs';
import { fromRoot } from './lib/root.mjs';
import { say, script, Stop } from './lib/say.mjs';
import { cli, runWhole } from './lib/whole.mjs';

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

await script(async () => {
  if (unknown.length)
    throw new Stop(
      `${unknown.join(' ')} is not known here. There is: npm run demo, npm run demo -- --fresh, npm run demo -- --scale`,
    );
  await runWhole({
    home,
    what: 'demo',
    script: 'demo.mjs',
    command: 'npm run demo',
    neededBytes: 1_500_000_000,
    ports,
    simulate: true,
    password: null,
    environment: (databaseUrl) => appEnvironment({ home, databaseUrl, ports }),
    prepare: async (env) => {
      if (fresh) rmSync(join(home, 'simulator'), { recursive: true, force: true });
      if ((await cli(env, 'demo-world', ...(fresh ? ['--fresh'] : []), ...(scale ? ['--scale'] : []))) !== 0)
        throw new Stop('The demo world could not be made (see above). Mend that and start again; it begins anew.');
    },
    ready: () =>
      say(`
  Urraca is ready at  http://127.0.0.1:${ports.web}

  Log in as           admin@urraca.example     (Ines Kolar, runs the office)
                      agent1@urraca.example    … agent9, caller@, lender@
  Password            urraca-demo
  API key             urraca-demo-key
  The world outside   http://127.0.0.1:${ports.simulator}
  A public page       http://127.0.0.1:${ports.web}/p/lantern-county

  Ctrl-C stops everything; the next start goes on from here.  npm run demo -- --fresh  begins again.
`),
  });
});
