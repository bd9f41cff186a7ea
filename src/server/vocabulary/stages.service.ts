/** Stages in the account's own words: renamed, explained anew, and joined by stages of its own, each counting as a step of the work. */
import { notFound } from '@/core/shared';
import { scopeFor, type Principal } from '@/core/accounts';
import { KEPT_STAGES, stepOf, type BuiltInStage } from '@/core/contacts';
import { now, publish, reader, writeAudit, transact, type RowOf } from '../shared';
import { checkName, nextWord } from './words';
import { stagesTable } from './stages.model';

export interface StageRow extends Pick<RowOf<typeof stagesTable>, 'key' | 'name' | 'meaning'> {
  people: number;
  /** The step of the work that it counts as; its own key when it is that step. */
  counts_as: BuiltInStage;
  /** False when people move there by themselves, or are counted or put away there. */
  removable: boolean;
}

export async function listStages(accountId: string): Promise<StageRow[]> {
  const rows = await reader().rows<Omit<StageRow, 'counts_as' | 'removable'>>(
    `select s.key, s.name, s.meaning, (select count(*)::int from contacts c where c.account_id = $1 and c.stage = s.key and c.deleted_at is null) as people
     from stages s where s.account_id = $1 and s.deleted_at is null order by s.position, s.key`,
    [accountId],
  );
  return rows.map((row) => ({ ...row, counts_as: stepOf(row.key), removable: !KEPT_STAGES.includes(row.key) }));
}

export interface StageInput {
  name: string;
  meaning: string;
  counts_as: BuiltInStage;
}

/** Makes a stage of the account's own; it stands behind the step that it counts as. */
export async function createStage(principal: Principal, input: StageInput): Promise<StageRow[]> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const name = await checkName(tx, 'stages', accountId, input.name, null);
    const key = `${input.counts_as}.${await nextWord(tx)}`;
    await tx.run(
      `with place as (select coalesce(max(position) filter (where split_part(key, '.', 1) = $5), max(position)) + 1 as at from stages where account_id = $1),
         moved as (update stages s set position = s.position + 1 from place where s.account_id = $1 and s.position >= place.at)
       insert into stages (account_id, key, name, meaning, position) select $1, $2, $3, $4, place.at from place`,
      [accountId, key, name, input.meaning.trim(), input.counts_as],
    );
    await writeAudit(tx, principal, accountId, 'stage.create', { key, name }, await now(tx));
    await publish(tx, { accountId, topic: 'contact', ownerId: null });
  });
  return listStages(accountId);
}

/** Gives a stage another name or meaning. What it does stays: it is the same step of the work. */
export async function updateStage(
  principal: Principal,
  key: string,
  patch: { name?: string; meaning?: string },
): Promise<StageRow[]> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const name = patch.name === undefined ? undefined : await checkName(tx, 'stages', accountId, patch.name, key);
    const done = await stagesTable.update(
      { name, meaning: patch.meaning?.trim() },
      { account_id: accountId, key, deleted_at: null },
      tx,
    );
    if (!done) throw notFound('stage');
    await writeAudit(tx, principal, accountId, 'stage.update', { key, ...patch }, await now(tx));
    await publish(tx, { accountId, topic: 'contact', ownerId: null });
  });
  return listStages(accountId);
}
