/** The command line behind `npm run urraca`: migrate, verify, the preview of files to import, the reading of lead mails, and the demo world. */
import { readFile } from 'node:fs/promises';
import { basename } from 'node:path';
import { text } from 'node:stream/consumers';
import { parseArgs } from 'node:util';
import pg from 'pg';
import { readLeadMail } from '@/core/mail';
import { parseMail } from '@/providers/mails';
import { hashPassword } from '@/server/accounts';
import { verify } from '@/server/contacts';
import { passwordProblem } from '@/core/accounts/passwords';
import { foundBrokerage, foundingState, makeFoundingCode } from '@/server/founding';
import { closeDb, config, db, migrate, now, reader, releaseClock, transact } from '@/server/shared';
import { previews } from './lib/preview';
import { BROKERAGE } from './world/settings';
import { scaleWorld } from './world/scale';
import { writeWorld } from './world/write';

const [command, ...flags] = process.argv.slice(2);

async function demoWorld(): Promise<void> {
  if (config().clock !== 'simulated') throw new Error('The demo world needs simulated time (URRACA_CLOCK=simulated).');
  if (flags.includes('--fresh')) await dropDemo();
  await migrate();
  const accounts = await reader().rows<{ name: string }>('select name from accounts');
  if (accounts.some(({ name }) => name !== BROKERAGE))
    throw new Error('This database holds a real brokerage; the demo world is not put into it.');
  if (!accounts.length) {
    console.log('Making the demo world …');
    const { contacts, activities } = await writeWorld();
    console.log(`  ${contacts.toLocaleString('en-US')} contacts, ${activities.toLocaleString('en-US')} activities`);
    if (flags.includes('--scale')) {
      console.log('Growing it to half a million contacts; this takes some minutes …');
      await scaleWorld((text) => console.log(text));
    }
    await reader().run('analyze');
  }
  await releaseClock(reader());
}

const FOUND_USAGE =
  'Usage: found --name "Name of the brokerage" --zone America/Los_Angeles --owner "First Last" --email you@yours.example [--phone +1…], with the password on standard input';

/** `found …`: a brokerage with its first user, who leads it, in a database that is made or migrated on the way. */
async function found(): Promise<void> {
  const option = { type: 'string' } as const;
  const { values } = parseArgs({
    args: flags,
    options: { name: option, zone: option, owner: option, email: option, phone: option },
  });
  const { name, zone, owner, email, phone = null } = values;
  if (!name || !zone || !owner || !email || process.stdin.isTTY) throw new Error(FOUND_USAGE);
  if (!Intl.supportedValuesOf('timeZone').includes(zone)) throw new Error(`There is no time zone ${zone}.`);
  const password = (await text(process.stdin)).trim();
  const problem = passwordProblem(password, [owner, email, name]);
  if (problem) throw new Error(problem);
  const [firstName = '', ...rest] = owner.trim().split(/\s+/);
  const user = { role: 'owner' as const, firstName, lastName: rest.join(' '), email, phone, office: 0 };
  await migrate();
  const { accountId } = await transact(async (tx) =>
    foundBrokerage(
      tx,
      { name, timeZone: zone, offices: [name], users: [{ ...user, passwordHash: await hashPassword(password) }] },
      await now(tx),
    ),
  );
  console.log(`${name} is set up (account ${accountId}). Log in as ${email}.`);
}

/** `founding-code`: a one-time code for /welcome. With `--if-none` only while there is no brokerage; then it prints the code alone, or nothing. */
async function foundingCode(): Promise<void> {
  if (flags.includes('--if-none') && (await foundingState()).founded) return;
  console.log(await makeFoundingCode());
}

/** One at a time: a start that was killed may have left its own half under way, and the next waits for it to end. */
async function alone(work: () => Promise<void>): Promise<void> {
  const lock = new pg.Client({ connectionString: config().databaseUrl });
  await lock.connect();
  try {
    await lock.query(`select pg_advisory_lock(hashtext('urraca demo world'))`);
    await work();
  } finally {
    await lock.end();
  }
}

/** Empties the database, but only when nothing but the demo brokerage is in it. */
async function dropDemo(): Promise<void> {
  const known = await reader().first<{ known: boolean }>(`select to_regclass('public.accounts') is not null as known`);
  if (known?.known) {
    const others = await reader().rows('select 1 from accounts where name <> $1', [BROKERAGE]);
    if (others.length) throw new Error('This database holds a real brokerage; it is not emptied.');
  }
  await db().query('drop schema if exists graphile_worker cascade; drop schema public cascade; create schema public;');
}

/** `read-mail FILE…`: what is recognised in each lead mail, one JSON object a line. A mail that came before names its first file. */
async function readMails(): Promise<void> {
  if (!flags.length) throw new Error('Usage: read-mail FILE…');
  const seen = new Map<string, string>();
  for (const file of flags) {
    const mail = await parseMail(await readFile(file));
    const day = new Date(mail.headers.date ?? '');
    const name = basename(file).replace(/\.eml$/, '');
    const before = mail.messageId ? seen.get(mail.messageId) : undefined;
    if (mail.messageId && !before) seen.set(mail.messageId, name);
    const read = readLeadMail(mail, Number.isNaN(day.getTime()) ? null : day);
    console.log(JSON.stringify({ file: basename(file), ...read, ...(before ? { duplicateOf: before } : {}) }));
  }
}

/** `import --preview FILE…`: what the preview shows of each file, one JSON object a line. Touches no database. */
async function previewFiles(): Promise<void> {
  const files = flags.filter((flag) => flag !== '--preview');
  if (!flags.includes('--preview') || !files.length) throw new Error('Usage: import --preview FILE…');
  for await (const preview of previews(files)) console.log(JSON.stringify(preview));
}

const commands: Record<string, () => Promise<void>> = {
  migrate: async () => {
    const done = await migrate();
    console.log(done.length ? `Ran ${done.join(', ')}` : 'The schema is of today.');
  },
  verify: async () => {
    const { contacts, activities, differences } = await verify();
    console.log(
      `Folded ${activities.toLocaleString('en-US')} activities of ${contacts.toLocaleString('en-US')} contacts: ${differences.length ? `${differences.length} differences` : 'no difference'}`,
    );
    differences.forEach((difference) => console.log(`  ${difference}`));
    if (differences.length) process.exitCode = 1;
  },
  import: previewFiles,
  'read-mail': readMails,
  found,
  'founding-code': foundingCode,
  'demo-world': () => alone(demoWorld),
};

const run = commands[command ?? ''];
if (!run) {
  console.error(`There is: ${Object.keys(commands).join(', ')}`);
  process.exitCode = 2;
} else {
  try {
    await run();
  } catch (error) {
    console.error(error instanceof Error ? [error.message, error.cause].filter(Boolean).join('\n') : error);
    process.exitCode = 1;
  } finally {
    await closeDb();
  }
}
