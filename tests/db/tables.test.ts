/** The tables as they are stated against the tables that there are: the same columns, of the same kind, null and filled in alike. */
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { reader, statedTables } from '@/server/shared';
import { appForEach } from '../harness/each';

const app = appForEach();

const SERVER = join(__dirname, '..', '..', 'src', 'server');
interface Found {
  table: string;
  column: string;
  kind: string;
  nullable: boolean;
  made: boolean;
  key: boolean;
}

/** @returns each column as one line, in the order of its name */
const lines = (columns: Found[]): string[] =>
  columns
    .map(
      ({ table, column, kind, nullable, made, key }) =>
        `${table}.${column} ${kind}${nullable ? ' null' : ''}${made ? ' made' : ''}${key ? ' key' : ''}`,
    )
    .sort();

test('each table is stated, with the columns that it has', async () => {
  expect(app()).toBeDefined();
  const models = readdirSync(SERVER, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.model.ts'));
  for (const file of models) await import(join(SERVER, file));
  const found = await reader().rows<Found>(
    `select c.table_name as "table", c.column_name as "column", c.udt_name as kind, c.is_nullable = 'YES' as nullable,
              c.column_default is not null or c.is_identity = 'YES' or c.is_generated = 'ALWAYS' as made,
              exists (select 1 from pg_index i join pg_attribute a on a.attrelid = i.indrelid and a.attnum = any(i.indkey)
                       where i.indisprimary and i.indrelid = format('%I', c.table_name)::regclass and a.attname = c.column_name) as key
         from information_schema.columns c join information_schema.tables t using (table_schema, table_name)
        where table_schema = 'public' and t.table_type = 'BASE TABLE'`,
  );
  const stated = [...statedTables().values()].flatMap(({ name, columns }) =>
    Object.entries(columns).map(([column, { sqlType, nullable, made, key }]) => ({
      table: name,
      column,
      kind: sqlType,
      nullable,
      made,
      key,
    })),
  );
  expect(models.length).toBeGreaterThan(70);
  expect(lines(stated)).toEqual(lines(found));
});
