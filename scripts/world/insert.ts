/** Many rows of a table in few statements, with the ids that the world gives them: the fast path of the demo, with the columns of the models. */
import type { RowOf, Table, Tx } from '@/server/shared';

const CHUNK = 2_000;

/** A row as JSON takes it: instants as they are, ids as words. */
export type WorldRow<T extends Table> = Partial<RowOf<T>>;

/** Inserts rows in chunks; the columns are those that any of them has. */
export async function insertAll<T extends Table>(tx: Tx, table: T, rows: WorldRow<T>[]): Promise<void> {
  const given = new Set(rows.flatMap((row) => Object.keys(row)));
  const columns = Object.entries(table.columns).filter(([name]) => given.has(name));
  const names = columns.map(([name]) => name).join(', ');
  const typed = columns.map(([name, { sqlType }]) => `${name} ${sqlType}`).join(', ');
  const identity = given.has('id') ? 'overriding system value' : '';
  for (let at = 0; at < rows.length; at += CHUNK)
    await tx.run(
      `insert into ${table.name} (${names}) ${identity} select ${names} from jsonb_to_recordset($1::jsonb) as x (${typed})`,
      [JSON.stringify(rows.slice(at, at + CHUNK))],
    );
}
/** Everything of the demo belongs to its one brokerage. */
export const ACCOUNT = { account_id: '1' } as const;
