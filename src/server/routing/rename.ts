/** A lead source is called otherwise: rungs that ask for it ask for its new name, as a new version of the ladder. */
import { rungsTable } from './rungs.model';
import { fullName, scopeFor, type Principal } from '@/core/accounts';
import { withSource } from '@/core/segments';
import { listFields } from '../contacts';
import type { Tx } from '../shared';
import { describe, forgetLadder, saveLadderVersion, readRungs } from './ladders';

/** @returns whether any rung asked for it */
export async function renameInRungs(tx: Tx, principal: Principal, from: string, to: string, at: Date): Promise<boolean> {
  const { accountId } = scopeFor(principal);
  const rungs = await readRungs(tx, accountId);
  let any = false;
  for (const rung of rungs) {
    const tree = withSource(rung.tree, from, to);
    if (JSON.stringify(tree) === JSON.stringify(rung.tree)) continue;
    any = true;
    rung.tree = tree;
    await rungsTable.update({ tree }, { id: rung.id }, tx);
  }
  if (!any) return false;
  const last = await tx.first<{ own_listing: boolean }>(
    'select own_listing from ladder_versions where account_id = $1 order by id desc limit 1',
    [accountId],
  );
  const by = principal.kind === 'user' ? fullName(principal.user) : 'A program';
  await saveLadderVersion(
    tx,
    accountId,
    last?.own_listing ?? false,
    await describe(tx, accountId, rungs, await listFields(accountId, tx)),
    by,
    at,
  );
  forgetLadder(accountId);
  return true;
}
