/** The review list: pairs within what one sees, both sides as they stand; and the word that two are not one. */
import type { DuplicateReason, PairView } from '@/core/duplicates';
import { reasonsSentence } from '@/core/duplicates';
import { scopeFor, type Principal, type Scope } from '@/core/accounts';
import { findContacts, lockContact, visible } from '../contacts';
import { now, reader, transact, type Tx } from '../shared';

/** The surest pairs first. */
export async function listPairs(scope: Scope, limit: number): Promise<PairView[]> {
  const bind: unknown[] = [];
  const one = visible(scope, bind);
  const other = visible(scope, bind, 'd');
  const rows = await reader().rows<{ one_id: string; other_id: string; reasons: DuplicateReason[] }>(
    `select p.one_id, p.other_id, p.reasons from duplicate_pairs p join contacts c on c.id = p.one_id and ${one} join contacts d on d.id = p.other_id and ${other} where p.account_id = $1
     order by p.score desc, p.one_id, p.other_id limit $${bind.push(limit)}`,
    bind,
  );
  const people = await findContacts(
    scope,
    rows.flatMap(({ one_id, other_id }) => [one_id, other_id]),
  );
  return rows.flatMap(({ one_id, other_id, reasons }) => {
    const [first, second] = [people.get(one_id), people.get(other_id)];
    return first && second ? [{ one: first, other: second, reasons, because: `They have ${reasonsSentence(reasons)}.` }] : [];
  });
}

/** Two people, not one: the pair is not shown again. */
export async function declareDifferent(principal: Principal, oneId: string, otherId: string): Promise<void> {
  const scope = scopeFor(principal);
  const [low, high] = BigInt(oneId) < BigInt(otherId) ? [oneId, otherId] : [otherId, oneId];
  await transact(async (tx) => {
    await lockContact(scope, low, tx);
    await lockContact(scope, high, tx);
    await tx.run(
      'insert into not_duplicates (account_id, one_id, other_id, user_id, at) values ($1, $2, $3, $4, $5) on conflict do nothing',
      [scope.accountId, low, high, scope.userId, await now(tx)],
    );
    await tx.run('delete from duplicate_pairs where one_id = $1 and other_id = $2', [low, high]);
  });
}

/** Two people of one household. @throws AppError not_found */
export async function joinHousehold(principal: Principal, oneId: string, otherId: string): Promise<void> {
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    await lockContact(scope, oneId, tx);
    await lockContact(scope, otherId, tx);
    await joinHouseholdIn(tx, scope.accountId, oneId, otherId);
  });
}

/** The same for two that are locked. */
export async function joinHouseholdIn(tx: Tx, accountId: string, oneId: string, otherId: string): Promise<void> {
  const has = await tx.rows<{ household_id: string }>(
    'select household_id from contacts where id = any($1::bigint[]) and household_id is not null order by household_id',
    [[oneId, otherId]],
  );
  const household =
    has[0]?.household_id ??
    (await tx.first<{ id: string }>('insert into households (account_id, made_at) values ($1, $2) returning id', [
      accountId,
      await now(tx),
    ]))!.id;
  const former = has[1]?.household_id ?? household;
  await tx.run('update contacts set household_id = $1 where id = any($2::bigint[]) or (household_id = $3 and $3 <> $1)', [
    household,
    [oneId, otherId],
    former,
  ]);
}

/** Takes somebody out of their household; one who is left alone has none. */
export async function leaveHousehold(principal: Principal, contactId: string): Promise<void> {
  const scope = scopeFor(principal);
  await transact(async (tx) => {
    await lockContact(scope, contactId, tx);
    const row = await tx.first<{ household_id: string | null }>('select household_id from contacts where id = $1', [contactId]);
    if (!row?.household_id) return;
    await tx.run('update contacts set household_id = null where id = $1', [contactId]);
    await tx.run(
      'update contacts set household_id = null where household_id = $1 and (select count(*) from contacts where household_id = $1) = 1',
      [row.household_id],
    );
  });
}
