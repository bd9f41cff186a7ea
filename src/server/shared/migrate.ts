/** Bringing the database to today's schema by umzug, under a lock so that processes starting together do it once; then the queue's own schema. */
import { runMigrations } from 'graphile-worker';
import { SequelizeStorage, Umzug } from 'umzug';
import { migrations } from '../../../migrations';
import { config } from './config';
import { db } from './db';

export async function migrate(): Promise<string[]> {
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up }) => ({
      name,
      up: () => db().transaction((transaction) => up((sql) => db().query(sql, { transaction, raw: true }))),
    })),
    storage: new SequelizeStorage({ sequelize: db(), tableName: 'migrations' }),
    logger: undefined,
  });
  const done = await db().transaction(async (transaction) => {
    await db().query('select pg_advisory_xact_lock(hashtext($1))', { bind: ['urraca migrations'], transaction });
    return umzug.up();
  });
  await runMigrations({ connectionString: config().databaseUrl });
  return done.map(({ name }) => name);
}
