/**
 * The private PostgreSQL cluster of a home folder, on loopback. PostgreSQL refuses to run as root, so for root it runs as
 * the user postgres, in a folder that this user can enter: inside the home when it can, otherwise under /var/lib/urraca.
 */
import {
  appendFileSync,
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { createHash } from 'node:crypto';
import { dirname, join } from 'node:path';
import { ensurePostgres } from './packages.mjs';
import { portIsFree } from './ports.mjs';
import { runQuietly } from './run.mjs';
import { say, Stop } from './say.mjs';

const isRoot = () => process.getuid?.() === 0;

/** Runs a program as the user PostgreSQL runs as. Its working folder is `/`, which everybody can enter. */
function asPostgres(program, args) {
  const options = { cwd: '/' };
  if (!isRoot()) return runQuietly(program, args, options);
  return runQuietly(
    'setpriv',
    [
      '--reuid=postgres',
      '--regid=postgres',
      '--init-groups',
      'env',
      'HOME=/var/lib/postgresql',
      'LC_ALL=C.UTF-8',
      program,
      ...args,
    ],
    options,
  );
}

function folderFor(home) {
  if (!isRoot()) return join(home, 'postgres');
  mkdirSync(home, { recursive: true });
  if (asPostgres('test', ['-x', home]).ok) return join(home, 'postgres');
  return `/var/lib/urraca/${createHash('sha256').update(home).digest('hex').slice(0, 12)}`;
}

/** A file that PostgreSQL's user reads and nobody else. */
function writeForPostgres(file, content) {
  writeFileSync(file, content, { mode: 0o600 });
  if (isRoot())
    chownSync(file, Number(runQuietly('id', ['-u', 'postgres']).out), Number(runQuietly('id', ['-g', 'postgres']).out));
}

function prepareFolder(folder) {
  mkdirSync(folder, { recursive: true });
  if (!isRoot()) return;
  const uid = Number(runQuietly('id', ['-u', 'postgres']).out);
  const gid = Number(runQuietly('id', ['-g', 'postgres']).out);
  chmodSync(dirname(folder), 0o755);
  chownSync(folder, uid, gid);
}

/** @param password of all roles, for a cluster that asks for it; null for one that trusts this machine */
function initialise(programs, folder, port, password) {
  const data = join(folder, 'data');
  if (existsSync(join(data, 'PG_VERSION'))) return data;
  say('Making a private PostgreSQL cluster …');
  const partial = join(folder, 'data.partial');
  rmSync(partial, { recursive: true, force: true });
  rmSync(data, { recursive: true, force: true });
  const passwordFile = join(folder, 'password');
  if (password !== null) writeForPostgres(passwordFile, password);
  const access = password === null ? ['--auth=trust'] : ['--auth=scram-sha-256', `--pwfile=${passwordFile}`];
  const made = asPostgres(join(programs, 'initdb'), [
    '-D',
    partial,
    '-U',
    'postgres',
    '-E',
    'UTF8',
    '--locale=C.UTF-8',
    ...access,
  ]);
  rmSync(passwordFile, { force: true });
  if (!made.ok)
    throw new Stop(
      `The PostgreSQL cluster could not be made:\n${made.err}\nMend that (is the disk full?) and start again; it begins anew.`,
    );
  appendFileSync(
    join(partial, 'postgresql.conf'),
    [
      "\nlisten_addresses = '127.0.0.1'",
      `port = ${port}`,
      "unix_socket_directories = ''",
      'max_connections = 120',
      'shared_buffers = 256MB',
      "work_mem = '16MB'",
      "maintenance_work_mem = '128MB'",
      "max_wal_size = '2GB'",
      'random_page_cost = 1.1',
      'jit = off',
      '',
    ].join('\n'),
  );
  renameSync(partial, data);
  return data;
}

/**
 * Starts the cluster of a home on a port.
 * @param password of its roles; null for one that trusts whoever is on this machine
 * @returns how to reach a database in it, and how to stop it
 */
export async function startCluster(home, port, database, password = null) {
  const programs = await ensurePostgres();
  const folder = folderFor(home);
  prepareFolder(folder);
  const data = initialise(programs, folder, port, password);
  const control = (...args) => asPostgres(join(programs, 'pg_ctl'), ['-D', data, ...args]);
  const running = control('status').ok;
  if (running && portOf(data) !== port) control('-m', 'fast', '-w', 'stop');
  if (!control('status').ok) {
    if (!(await portIsFree(port)))
      throw new Stop(
        `Port ${port} is taken by another program, so PostgreSQL cannot start on it. Free it, or set PGPORT to another.`,
      );
    const log = join(folder, 'server.log');
    const started = control('-l', log, '-w', '-t', '60', '-o', `-p ${port}`, 'start');
    if (!started.ok)
      throw new Stop(`PostgreSQL did not start:\n${tail(log) || started.err}\nMend that and start again; the data is kept.`);
  }
  const server = { host: '127.0.0.1', port, user: 'postgres', password };
  await makeDatabase(programs, server, database);
  return {
    programs,
    url: `postgres://urraca:${password ?? 'urraca'}@127.0.0.1:${port}/${database}`,
    admin: `postgres://postgres@127.0.0.1:${port}/postgres`,
    stop: () => control('-m', 'fast', '-w', '-t', '30', 'stop'),
    restart: () => control('-m', 'fast', '-w', '-t', '30', '-o', `-p ${port}`, '-l', join(folder, 'server.log'), 'restart'),
    crash: () => control('-m', 'immediate', '-w', '-t', '30', 'stop'),
    start: () => control('-l', join(folder, 'server.log'), '-w', '-t', '60', '-o', `-p ${port}`, 'start'),
  };
}

const portOf = (data) => Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[3]);
const tail = (file) => (existsSync(file) ? readFileSync(file, 'utf8').trim().split('\n').slice(-5).join('\n') : '');

async function makeDatabase(programs, server, database) {
  const psql = (name, sql) => {
    const ran = runQuietly(
      join(programs, 'psql'),
      [
        '-X',
        '-q',
        '-t',
        '-A',
        '-v',
        'ON_ERROR_STOP=1',
        '-h',
        server.host,
        '-p',
        String(server.port),
        '-U',
        server.user,
        '-d',
        name,
        '-c',
        sql,
      ],
      { env: { ...process.env, ...(server.password !== null && { PGPASSWORD: server.password }) } },
    );
    if (!ran.ok) throw new Stop(`PostgreSQL does not answer as it should:\n${ran.err}`);
    return ran.out;
  };
  if (!psql('postgres', "select 1 from pg_roles where rolname = 'urraca'"))
    psql('postgres', `create role urraca login createdb password '${server.password ?? 'urraca'}'`);
  if (!psql('postgres', `select 1 from pg_database where datname = '${database}'`))
    psql('postgres', `create database ${database} owner urraca`);
}
