/** What an account calls its stages, for sentences about what happened, also in a stage that it has taken away since. */
import { stageName } from '@/core/contacts';
import type { Tx } from '../shared';

export async function stageNames(accountId: string, tx: Tx): Promise<(key: string) => string> {
  const rows = await tx.rows<{ key: string; name: string }>('select key, name from stages where account_id = $1', [accountId]);
  const names = new Map(rows.map(({ key, name }) => [key, name]));
  return (key) => names.get(key) ?? stageName(key);
}
