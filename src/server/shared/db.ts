/**
 * The one connection pool and the transaction that services work in. A Tx runs set-based SQL with bound values; models
 * are reached through the same Sequelize instance. What PostgreSQL refuses becomes one of our errors here and nowhere else.
 */
import pg from 'pg';
import {
  DatabaseError,
  QueryTypes,
  Sequelize,
  UniqueConstraintError,
  type Transaction,
  ConnectionError,
  ConnectionAcquireTimeoutError,
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
    dialectOptions: { application_name: 'urraca', keepAlive: true },
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
  readonly transaction: Transaction | undefined;
}

function txOver(transaction: Transaction | undefined): Tx {
  const rows = async <T extends object>(sql: string, bind: unknown[] = []): Promise<T[]> => {
    try {
      return await db().query<T>(sql, { bind, type: QueryTypes.SELECT, transaction, raw: true });
    } catch (error) {
      throw translated(error);
    }
  };
  return {
    rows,
    first: async <T extends object>(sql: string, bind: unknown[] = []) => (await rows<T>(sql, bind))[0] ?? null,
    run: async (sql, bind = []) => {
      try {
        await db().query(sql, { bind, transaction, raw: true });
      } catch (error) {
        throw translated(error);
      }
    },
    transaction,
  };
}

/** Joins in the order in which the statement names them: planning a claim over eight tables takes longer than running it. */
export const joinAsWritten = (tx: Tx): Promise<void> => tx.run(`select set_config('join_collapse_limit', '1', true)`);

/** For reads that need no transaction of their own. */
export const reader = (): Tx => txOver(undefined);

/** Runs `work` in one transaction; a deadlock or serialisation failure is tried again twice before it is told. */
export async function transact<T>(work: (tx: Tx) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt += 1) {
    try {
      return await db().transaction((transaction) => work(txOver(transaction)));
    } catch (error) {
      const failure = translated(error);
      if (attempt < 3 && failure instanceof AppError && failure.code === 'conflict' && failure.facts.retry) continue;
      throw failure;
    }
  }
}

const RETRYABLE = new Set(['40001', '40P01']);

function translated(error: unknown): unknown {
  if (error instanceof UniqueConstraintError)
    return new AppError('conflict', 'This exists already; nothing was changed.', {}, error.parent);
  if (error instanceof ConnectionError || error instanceof ConnectionAcquireTimeoutError) {
    return new AppError('unavailable', 'The database does not answer at the moment. Nothing was lost; try again shortly.', {
      retry: true,
    });
  }
  if (error instanceof DatabaseError) {
    const code = (error.parent as Error & { code?: string }).code ?? '';
    if (RETRYABLE.has(code)) return new AppError('conflict', 'Two changes met; try again.', { retry: true });
    if (code.startsWith('57P') || code.startsWith('08'))
      return new AppError('unavailable', 'The database was restarted. Nothing was lost; try again.', { retry: true });
  }
  return error;
}
