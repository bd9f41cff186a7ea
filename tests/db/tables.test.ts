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

test('rows are found, listed, made, put, changed and taken away one by one', async () => {
  const { preferencesTable, tagsTable } = {
    ...(await import('@/server/accounts/preferences.model')),
    ...(await import('@/server/tags/tags.model')),
  };
  const account = { account_id: '1' };
  const made = await tagsTable.insert({ ...account, name: 'Choir' });
  expect(made).toMatchObject({ name: 'Choir', color: 'stone', locked: false, made_by: null, deleted_at: null });
  expect(made.id).toMatch(/^\d+$/);
  expect(await tagsTable.find({ id: made.id })).toEqual(made);
  expect(await tagsTable.find({ id: '999999' })).toBeNull();
  await tagsTable.insert({ ...account, name: 'Anglers' });
  expect((await tagsTable.list(account, ['name'])).map(({ name }) => name)).toEqual(['Anglers', 'Choir']);
  expect(await tagsTable.update({ name: undefined, color: undefined }, { id: made.id })).toBe(1);
  expect(await tagsTable.update({ name: undefined, locked: true }, { id: made.id })).toBe(1);
  expect(await tagsTable.find({ id: made.id })).toEqual({ ...made, locked: true });
  expect(await tagsTable.update({ locked: true }, { id: '999999' })).toBe(0);
  const user_id = app().users.Abel!.id;
  await preferencesTable.put({ user_id, key: 'contacts_grid', value: { sort: 'name' } });
  await preferencesTable.put({ user_id, key: 'contacts_grid', value: { sort: 'stage' } });
  expect(await preferencesTable.list({ user_id }, ['key'])).toEqual([
    { user_id, key: 'contacts_grid', value: { sort: 'stage' } },
  ]);
  expect(await tagsTable.remove(account)).toBe(2);
  expect(await tagsTable.count(account)).toBe(0);
});

test('in a transaction nothing stays when it fails, and a locked row waits', async () => {
  const { tagsTable } = await import('@/server/tags/tags.model');
  const { transact } = await import('@/server/shared');
  const { id } = await tagsTable.insert({ account_id: '1', name: 'Choir' });
  await expect(
    transact(async (tx) => {
      await tagsTable.update({ name: 'Anglers' }, { id }, tx);
      await tagsTable.insert({ account_id: '1', name: 'Lost' }, tx);
      throw new Error('no');
    }),
  ).rejects.toThrow('no');
  expect((await tagsTable.list({ account_id: '1' }, ['id'])).map(({ name }) => name)).toEqual(['Choir']);
  const order: string[] = [];
  await Promise.all([
    transact(async (tx) => {
      await tagsTable.lock({ id }, tx);
      order.push('first has it');
      await tx.run('select pg_sleep(0.3)');
      order.push('first is done');
    }),
    transact(async (tx) => {
      await tx.run('select pg_sleep(0.1)');
      await tagsTable.lock({ id }, tx);
      order.push('second has it');
    }),
  ]);
  expect(order).toEqual(['first has it', 'first is done', 'second has it']);
});
