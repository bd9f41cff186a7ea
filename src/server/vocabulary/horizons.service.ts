/** Stages and horizons in the account's own words: renamed, explained anew, given another rhythm; a horizon of one's own is removed with where its people go. */
import { AppError, notFound } from '@/core/shared';
import { scopeFor, type Principal } from '@/core/accounts';
import { now, reader, record, transact } from '../shared';

export interface StageRow {
  key: string;
  name: string;
  meaning: string;
  people: number;
}
export interface HorizonRow extends StageRow {
  rhythm_days: number;
  strokes: number;
}

export const listStages = (accountId: string): Promise<StageRow[]> =>
  reader().rows<StageRow>(
    `select s.key, s.name, s.meaning, (select count(*)::int from contacts c where c.account_id = $1 and c.stage = s.key and c.deleted_at is null) as people from stages s where s.account_id = $1 order by s.position`,
    [accountId],
  );
export const listHorizons = (accountId: string): Promise<HorizonRow[]> =>
  reader().rows<HorizonRow>(
    `select h.key, h.name, h.meaning, h.rhythm_days, h.strokes, (select count(*)::int from contacts c where c.account_id = $1 and c.horizon = h.key and c.deleted_at is null) as people from horizons h where h.account_id = $1 order by h.position`,
    [accountId],
  );

const invalid = (field: string, message: string): AppError =>
  new AppError('input_invalid', 'This was not kept.', { fields: [{ field, message }] });

/** Gives a stage another name or meaning. What it does stays: it is the same step of the work. */
export async function updateStage(
  principal: Principal,
  key: string,
  patch: { name?: string; meaning?: string },
): Promise<StageRow[]> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    if (
      patch.name &&
      (await tx.first('select 1 from stages where account_id = $1 and lower(name) = lower($2) and key <> $3', [
        accountId,
        patch.name.trim(),
        key,
      ]))
    )
      throw invalid('name', 'another stage has this name');
    const done = await tx.first(
      'update stages set name = coalesce($3, name), meaning = coalesce($4, meaning) where account_id = $1 and key = $2 returning key',
      [accountId, key, patch.name?.trim() || null, patch.meaning?.trim() ?? null],
    );
    if (!done) throw notFound('stage');
    await record(tx, principal, accountId, 'stage.update', { key, ...patch }, await now(tx));
  });
  return listStages(accountId);
}

/** Gives a horizon another name, meaning or rhythm. With the rhythm the next touch of its people moves. @returns how many people that are */
export async function updateHorizon(
  principal: Principal,
  key: string,
  patch: { name?: string; meaning?: string; rhythm_days?: number },
): Promise<HorizonRow[]> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    if (
      patch.name &&
      (await tx.first('select 1 from horizons where account_id = $1 and lower(name) = lower($2) and key <> $3', [
        accountId,
        patch.name.trim(),
        key,
      ]))
    )
      throw invalid('name', 'another horizon has this name');
    const done = await tx.first<{ rhythm_days: number }>(
      'update horizons set name = coalesce($3, name), meaning = coalesce($4, meaning), rhythm_days = coalesce($5, rhythm_days) where account_id = $1 and key = $2 returning rhythm_days',
      [accountId, key, patch.name?.trim() || null, patch.meaning?.trim() ?? null, patch.rhythm_days ?? null],
    );
    if (!done) throw notFound('horizon');
    if (patch.rhythm_days)
      await tx.run(
        `update contacts c set next_touch_at = coalesce(f.last_touch_at, c.created_at) + make_interval(days => $3) from contact_facts f
         where f.contact_id = c.id and c.account_id = $1 and c.horizon = $2 and c.next_touch_kind = 'rhythm'`,
        [accountId, key, done.rhythm_days],
      );
    await record(tx, principal, accountId, 'horizon.update', { key, ...patch }, await now(tx));
  });
  return listHorizons(accountId);
}
