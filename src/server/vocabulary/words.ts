/** What the words of an account have in common: one name each, out of sight when taken away, back in sight when that is undone. */
import { AppError } from '@/core/shared';
import type { Tx } from '../shared';

/** Tables of words, with the column that names one. */
const KEYS = { tags: 'id', fields: 'id', stages: 'key', horizons: 'key' } as const;
export type WordTable = keyof typeof KEYS;

const faulty = (field: string, message: string): AppError =>
  new AppError('input_invalid', 'Couldn’t save.', { fields: [{ field, message }] });

/** Checks the name of a stage or horizon. @param key the one that has it already @throws AppError input_invalid */
export async function checkName(
  tx: Tx,
  table: 'stages' | 'horizons',
  accountId: string,
  name: string,
  key: string | null,
): Promise<string> {
  const clean = name.trim().replace(/\s+/g, ' ');
  if (!clean) throw faulty('name', 'enter a name');
  const taken = await tx.first(
    `select 1 from ${table} where account_id = $1 and lower(name) = lower($2) and key is distinct from $3 and deleted_at is null`,
    [accountId, clean, key],
  );
  if (taken) throw faulty('name', `another ${table.slice(0, -1)} has this name`);
  return clean;
}

/** A number for the key of a word that an account makes; never given twice, so that a key never comes to mean something else. */
export const nextWord = async (tx: Tx): Promise<string> => (await tx.first<{ n: string }>(`select nextval('own_words') as n`))!.n;

/** Takes a word out of sight at once; what has it follows in the background. */
export const hideWord = (tx: Tx, table: WordTable, accountId: string, key: string, at: Date): Promise<void> =>
  tx.run(`update ${table} set deleted_at = $3 where account_id = $1 and ${KEYS[table]} = $2`, [accountId, key, at]);

/** Back in sight; when another word took the name meanwhile, with a mark behind it. */
export const showWord = (tx: Tx, table: WordTable, accountId: string, key: string): Promise<void> =>
  tx.run(
    `update ${table} t set deleted_at = null, name = case when exists (select 1 from ${table} o where o.account_id = t.account_id and lower(o.name) = lower(t.name) and o.deleted_at is null and o.${KEYS[table]} <> t.${KEYS[table]}) then t.name || ' (2)' else t.name end
     where t.account_id = $1 and t.${KEYS[table]} = $2 and t.deleted_at is not null`,
    [accountId, key],
  );
