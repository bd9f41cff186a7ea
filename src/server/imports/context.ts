/** What an import needs to know of the account before the first row: names of stages, people and fields, and where each column goes. */
import { stageName, type Horizon } from '@/core/contacts';
import type { AccountWords } from '@/core/imports';
import type { ImportColumn, ImportOptions } from '@/core/imports';
import type { FieldDef } from '@/core/segments';
import { AppError } from '@/core/shared';
import { scopeFor, wholeAccount, type Scope } from '@/core/accounts';
import { mayMakeTags } from '@/core/tags';
import { findUser, readSettings } from '../accounts';
import { listFields } from '../contacts';
import { nameSql, reader, transact } from '../shared';
import { optionsOf, type ImportRow } from './imports.repository';

export interface ImportContext {
  row: ImportRow;
  options: ImportOptions;
  columns: ImportColumn[];
  zone: string;
  /** By name in small letters. */
  words: ImportWords;
  /** Keys of stages by their names in small letters, also by the names that everybody begins with. */
  stages: Map<string, string>;
  rhythms: Partial<Record<Horizon, number>>;
  /** By full name or e-mail address in small letters. */
  users: Map<string, { id: string; officeId: string | null }>;
  owner: { id: string; officeId: string | null } | null;
  /** The field for each heading that is one; the rest goes into a note. */
  fields: Map<string, FieldDef>;
  by: string;
  /** Whose contacts the import may complete; somebody else's are left as they are. */
  scope: Scope;
  /** The tags there are, in small letters, where whoever asked may not make new ones; otherwise null. */
  onlyTags: ReadonlySet<string> | null;
}

interface ImportWords extends AccountWords {
  horizons: { key: string; name: string; rhythm_days: number }[];
}

/** Stages and horizons as the account calls them. */
export async function importWords(accountId: string): Promise<ImportWords> {
  const [stages, horizons] = await Promise.all([
    reader().rows<{ key: string; name: string }>(
      'select key, name from stages where account_id = $1 and deleted_at is null order by position',
      [accountId],
    ),
    reader().rows<{ key: string; name: string; rhythm_days: number }>(
      'select key, name, rhythm_days from horizons where account_id = $1 and deleted_at is null order by position',
      [accountId],
    ),
  ]);
  return { stages, horizons };
}

/** Reads it, and makes the fields that the columns ask for. */
export async function importContext(row: ImportRow): Promise<ImportContext> {
  const tx = reader();
  const user = row.user_id ? await findUser(row.user_id) : null;
  if (row.user_id && !user) throw new AppError('not_allowed', 'The person who requested this is no longer here.');
  const scope = user ? scopeFor({ kind: 'user', user }) : wholeAccount(row.account_id);
  const [account, words, people] = await Promise.all([
    tx.first<{ time_zone: string }>('select time_zone from accounts where id = $1', [row.account_id]),
    importWords(row.account_id),
    tx.rows<{ id: string; office_id: string | null; name: string; email: string }>(
      `select id, office_id, lower(${nameSql()}) as name, lower(email) as email from users where account_id = $1 and active and role <> 'lender'`,
      [row.account_id],
    ),
  ]);
  const byName = new Map(
    people.flatMap(({ id, office_id, name, email }) => [
      [name, { id, officeId: office_id }] as const,
      [email, { id, officeId: office_id }] as const,
    ]),
  );
  const options = optionsOf(row);
  const wanted = options.owner_id ?? row.user_id;
  const owner = people.find(({ id }) => id === wanted);
  return {
    row,
    options,
    columns: row.columns,
    zone: account!.time_zone,
    words,
    stages: new Map(
      [...words.stages.map(({ key }) => ({ key, name: stageName(key) })), ...words.stages].map(({ key, name }) => [
        name.toLowerCase(),
        key,
      ]),
    ),
    rhythms: Object.fromEntries(words.horizons.map(({ key, rhythm_days }) => [key, rhythm_days])),
    users: scope.sees === 'all' ? byName : new Map<string, never>(),
    owner: owner ? { id: owner.id, officeId: owner.office_id } : null,
    fields: await fieldsOf(row, scope.runsOffice),
    by: row.by ?? 'a program',
    scope,
    onlyTags:
      user && !mayMakeTags(user.role, (await readSettings(row.account_id)).tagBarred) ? await tagNames(row.account_id) : null,
  };
}

async function tagNames(accountId: string): Promise<Set<string>> {
  const rows = await reader().rows<{ name: string }>(
    'select lower(name) as name from tags where account_id = $1 and deleted_at is null',
    [accountId],
  );
  return new Set(rows.map(({ name }) => name));
}

/** The field of each heading; a new one is made for those who run the office, and otherwise the words go into a note. */
async function fieldsOf(row: ImportRow, makesFields: boolean): Promise<Map<string, FieldDef>> {
  const found = new Map<string, FieldDef>();
  let known = await listFields(row.account_id);
  for (const column of row.columns) {
    if (column.target !== 'custom' || !column.heading) continue;
    const same = known.find(
      ({ id, name }) =>
        column.place === `field:${id}` || (column.place !== 'note' && name.toLowerCase() === column.heading.toLowerCase()),
    );
    if (same) found.set(column.heading, same);
    else if (column.place === 'new' && makesFields) {
      await transact((tx) =>
        tx.run(
          `insert into fields (account_id, name, kind, position, made_at) select $1, $2, 'text', coalesce(max(position) + 1, 0), now() from fields where account_id = $1 on conflict do nothing`,
          [row.account_id, column.heading.slice(0, 60)],
        ),
      );
      known = await listFields(row.account_id);
      const made = known.find(({ name }) => name.toLowerCase() === column.heading.slice(0, 60).toLowerCase());
      if (made) found.set(column.heading, made);
    }
  }
  return found;
}
