/**
 * The one connection pool and the transaction that services work in. A Tx runs set-based SQL with bound values; models
 * are reached through the same Sequelize instance. What PostgreSQL refuses becomes one of our errors here and nowhere else.
 */
import { AsyncLocalStorage } from 'node:async_hooks';
import { createHash } from 'node:crypto';
import pg from 'pg';
import {
  QueryTypes,
  Sequelize,
  UniqueConstraintError,
  ConnectionError,
  ConnectionAcquireTimeoutError,
  type Transaction,
} from 'sequelize';
import { AppError } from '@/core/shared';
import { config, forgetConfig } from './config';

const held = globalThis as unknown as { urracaDb?: Sequelize };

export function db(): Sequelize {
  held.urracaDb ??= new Sequelize(config().databaseUrl, {
    dialect: 'postgres',
    dialectModule: pg,
    logging: false,
    pool: { max: config().poolSize, min: 0, idle: 10_000, acquire: 20_000 },
    /** Compiling a plan (JIT) takes longer than any question asked here. */
    dialectOptions: { application_name: 'urraca', keepAlive: true, options: '-c jit=off' },
  });
  return held.urracaDb;
}

/** Closes the pool; what is used next opens another, on the environment of then. */
export async function closeDb(): Promise<void> {
  const open = held.urracaDb;
  held.urracaDb = undefined;
  forgetConfig();
  await open?.close();
}

/** A transaction, or the bare connection for single reads: runs SQL with `$1, $2 …` bound. */
export interface Tx {
  rows<T extends object>(sql: string, bind?: unknown[]): Promise<T[]>;
  /** The first row, or null. */
  first<T extends object>(sql: string, bind?: unknown[]): Promise<T | null>;
  run(sql: string, bind?: unknown[]): Promise<void>;
  /** The transaction, for what is asked of a model; undefined for single reads. */
  readonly transaction: Transaction | undefined;
}

/** What of pg's client a transaction uses. */
interface Connection {
  query(query: string | { name: string; text: string; values: unknown[] }): Promise<{ rows: object[] }>;
}

const names = new Map<string, string>();
/** A statement's name on its connection, so that PostgreSQL parses and plans it once: the same text, the same name. */
function nameOf(sql: string): string {
  let name = names.get(sql);
  if (!name) {
    name = createHash('sha256').update(sql).digest('base64url').slice(0, 40);
    names.set(sql, name);
  }
  return name;
}

/**
 * Inside a transaction statements go straight to its connection, prepared: the services' transactions are many small statements, and PostgreSQL
 * plans each but once.
 */
function txOver(transaction: Transaction | undefined): Tx {
  const connection = (transaction as { connection?: Connection } | undefined)?.connection;
  const ask = async (sql: string, values: unknown[]): Promise<object[]> => {
    try {
      if (connection) return (await connection.query({ name: nameOf(sql), text: sql, values })).rows;
      return await db().query(sql, { bind: values, type: QueryTypes.SELECT, raw: true });
    } catch (error) {
      throw translated(error);
    }
  };
  const rows = async <T extends object>(sql: string, bind: unknown[] = []): Promise<T[]> => (await ask(sql, bind)) as T[];
  return {
    rows,
    first: async <T extends object>(sql: string, bind: unknown[] = []) => (await rows<T>(sql, bind))[0] ?? null,
    run: async (sql, bind = []) => {
      await ask(sql, bind);
    },
    transaction,
  };
}

/**
 * The same transaction for several pieces of work begun at once: a connection takes one statement after the other, so each waits its
 * turn, and while PostgreSQL works at one, the values of the next are made.
 */
export function inTurn(tx: Tx): Tx {
  let last: Promise<unknown> = Promise.resolve();
  const turn = <T>(work: () => Promise<T>): Promise<T> => {
    const mine = last.then(work, work);
    last = mine.catch(() => {});
    return mine;
  };
  return {
    rows: <T extends object>(sql: string, bind?: unknown[]) => turn(() => tx.rows<T>(sql, bind)),
    first: <T extends object>(sql: string, bind?: unknown[]) => turn(() => tx.first<T>(sql, bind)),
    run: (sql, bind) => turn(() => tx.run(sql, bind)),
    transaction: tx.transaction,
  };
}

/** Joins in the order in which the statement names them: planning a claim over eight tables takes longer than running it. */
export const joinAsWritten = (tx: Tx): Promise<void> => tx.run(`select set_config('join_collapse_limit', '1', true)`);

/** For reads that need no transaction of their own. */
export const reader = (): Tx => txOver(undefined);

/** The call with an Idempotency-Key that is under way: that its work is done is written in the same transaction. */
export interface IdempotencyMark {
  principal: string;
  key: string;
}
const marks = new AsyncLocalStorage<IdempotencyMark>();
export const withMark = <T>(marked: IdempotencyMark, work: () => Promise<T>): Promise<T> => marks.run(marked, work);
/** Only a transaction that wrote something has done work. */
async function mark(tx: Tx): Promise<void> {
  const marked = marks.getStore();
  if (marked)
    await tx.run(
      `update idempotent_replies set committed_at = clock_timestamp() where principal = $1 and key = $2 and pg_current_xact_id_if_assigned() is not null`,
      [marked.principal, marked.key],
    );
}

/** Begins, works and commits, by Sequelize's managed transaction. */
const inTransaction = <T>(work: (tx: Tx) => Promise<T>): Promise<T> =>
  db().transaction(async (transaction) => {
    const tx = txOver(transaction);
    const done = await work(tx);
    await mark(tx);
    return done;
  });

/** Runs `work` in one transaction; a deadlock or serialisation failure is tried again twice before it is told. */
export async function transact<T>(work: (tx: Tx) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt += 1) {
    try {
      return await inTransaction(work);
    } catch (error) {
      const failure = translated(error);
      if (attempt < 3 && failure instanceof AppError && failure.code === 'conflict' && failure.facts.retry) continue;
      throw failure;
    }
  }
}

const DISK_FULL = '53100';
/** Values that PostgreSQL cannot take: numbers out of range, the null character, an instant beyond the calendar. */
const BAD_VALUE = /^22/;
const RETRYABLE = new Set(['40001', '40P01']);
/** Of the connection's own class 08 all but 08P01, which is a statement of ours that is wrong. */
const LOST = /^(57P|08(?!P01)|ECONN|EPIPE)/;

/** PostgreSQL's own code, whether the error came by Sequelize or straight from the connection. */
function codeOf(error: unknown): string {
  const { code, parent } = error as { code?: unknown; parent?: { code?: unknown } };
  return String(parent?.code ?? code ?? '');
}

/** What is asked of a model, with its failures as ours. */
export const asOurs = <T>(asked: Promise<T>): Promise<T> =>
  asked.catch((error: unknown) => {
    throw translated(error);
  });

/** Whether an error says that PostgreSQL is away, or was while it was being talked to. */
export function isLost(error: unknown): boolean {
  if (error instanceof AppError) return error.code === 'unavailable';
  if (!(error instanceof Error)) return false;
  return (
    error instanceof ConnectionError ||
    error instanceof ConnectionAcquireTimeoutError ||
    LOST.test(codeOf(error)) ||
    /^Connection terminated|not queryable|the database system is (?:starting|shutting)/.test(error.message)
  );
}

function translated(error: unknown): unknown {
  if (!(error instanceof Error) || error instanceof AppError) return error;
  const code = codeOf(error);
  if (error instanceof UniqueConstraintError || code === '23505')
    return new AppError('conflict', 'This already exists. Nothing changed.', {}, error);
  if (RETRYABLE.has(code))
    return new AppError('conflict', 'Someone else made a change at the same time. Try again.', { retry: true }, error);
  if (BAD_VALUE.test(code))
    return new AppError('input_invalid', 'Something here can’t be stored or searched. Nothing changed.', {}, error);
  if (code === DISK_FULL)
    return new AppError('unavailable', 'The database disk is full. Free up space, then try again. Nothing was lost.', {}, error);
  if (isLost(error))
    return new AppError(
      'unavailable',
      'The database isn’t responding. Nothing was lost. Try again shortly.',
      { retry: true },
      error,
    );
  return error;
}
