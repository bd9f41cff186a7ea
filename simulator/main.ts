/** The simulator's process: its own state, its own API on loopback. It shares nothing with the application but the wires between them. */
import { openJournal } from './journal';
import { api } from './api';
import { mailboxes } from './mailboxes';
import { SimulatorWorld } from './world';

const env = (name: string, fallback?: string): string => {
  const value = process.env[name] ?? fallback;
  if (value === undefined) {
    console.error(`The simulator needs ${name}.`);
    process.exit(2);
  }
  return value;
};

const world = new SimulatorWorld(openJournal(env('SIMULATOR_HOME')), {
  hookUrl: `${env('PUBLIC_URL', 'http://127.0.0.1:3000')}/api/hooks`,
  hookSecret: env('HOOK_SECRET'),
  mailDoor: { host: '127.0.0.1', port: Number(env('MAIL_DOOR_PORT', '2525')) },
  habits: env('SIMULATOR_HABITS', '0') === '1',
});

const http = api(world);
const smtp = mailboxes(world);
smtp.on('error', () => {});
http.keepAliveTimeout = 30_000;
http.listen(Number(env('SIMULATOR_PORT', '3900')), '127.0.0.1');
smtp.listen(Number(env('SIMULATOR_SMTP_PORT', '2526')), '127.0.0.1');

/** People act at their time, also when nobody pushes the clock. */
const tick = setInterval(() => void world.agenda.run(), 200);

const stop = () => {
  clearInterval(tick);
  http.close();
  http.closeAllConnections();
  smtp.close(() => process.exit(0));
  setTimeout(() => process.exit(0), 1_000).unref();
};
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
console.log('simulator ready');
