/** Horizons in the account's own words, each with its rhythm: renamed, explained anew, and joined by horizons of its own. */
import { notFound } from '@/core/shared';
import { scopeFor, type Principal } from '@/core/accounts';
import { now, publish, reader, writeAudit, transact, type RowOf } from '../shared';
import { checkName, nextWord } from './words';
import { horizonsTable } from './horizons.model';

export interface HorizonRow extends Pick<RowOf<typeof horizonsTable>, 'key' | 'name' | 'meaning' | 'rhythm_days' | 'strokes'> {
  people: number;
  removable: boolean;
}

export const listHorizons = (accountId: string): Promise<HorizonRow[]> =>
  reader().rows<HorizonRow>(
    `select h.key, h.name, h.meaning, h.rhythm_days, h.strokes, count(*) over () > 1 as removable,
       (select count(*)::int from contacts c where c.account_id = $1 and c.horizon = h.key and c.deleted_at is null) as people
     from horizons h where h.account_id = $1 and h.deleted_at is null order by h.position, h.key`,
    [accountId],
  );

export interface HorizonInput {
  name: string;
  meaning: string;
  rhythm_days: number;
  strokes: number;
}

/** Makes a horizon of the account's own; it stands among the others by its rhythm. */
export async function createHorizon(principal: Principal, input: HorizonInput): Promise<HorizonRow[]> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const name = await checkName(tx, 'horizons', accountId, input.name, null);
    const key = `own.${await nextWord(tx)}`;
    await tx.run(
      `with place as (select coalesce(max(position) + 1, 0) as at from horizons where account_id = $1 and rhythm_days <= $5),
         moved as (update horizons h set position = h.position + 1 from place where h.account_id = $1 and h.position >= place.at)
       insert into horizons (account_id, key, name, meaning, position, rhythm_days, strokes) select $1, $2, $3, $4, place.at, $5, $6 from place`,
      [accountId, key, name, input.meaning.trim(), input.rhythm_days, input.strokes],
    );
    await writeAudit(tx, principal, accountId, 'horizon.create', { key, name }, await now(tx));
    await publish(tx, { accountId, topic: 'contact', ownerId: null });
  });
  return listHorizons(accountId);
}

/** Gives a horizon another name, meaning, rhythm or number of strokes. With the rhythm the next touch of its people moves. */
export async function updateHorizon(principal: Principal, key: string, patch: Partial<HorizonInput>): Promise<HorizonRow[]> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const name = patch.name === undefined ? undefined : await checkName(tx, 'horizons', accountId, patch.name, key);
    const { rhythm_days, strokes } = patch;
    const done = await horizonsTable.update(
      { name, meaning: patch.meaning?.trim(), rhythm_days, strokes },
      { account_id: accountId, key, deleted_at: null },
      tx,
    );
    if (!done) throw notFound('horizon');
    if (rhythm_days)
      await tx.run(
        `update contacts c set next_touch_at = coalesce(f.last_touch_at, c.created_at) + make_interval(days => $3) from contact_facts f
         where f.contact_id = c.id and c.account_id = $1 and c.horizon = $2 and c.next_touch_kind = 'rhythm'`,
        [accountId, key, rhythm_days],
      );
    await writeAudit(tx, principal, accountId, 'horizon.update', { key, ...patch }, await now(tx));
    await publish(tx, { accountId, topic: 'contact', ownerId: null });
  });
  return listHorizons(accountId);
}
