/** Roles of a brokerage's own: what an agent or a caller may do, with more or less. Whoever has one acts by it from their next request on. */
import { scopeFor, type ChosenRight, type CustomRoleView, type Principal } from '@/core/accounts';
import { AppError, notFound } from '@/core/shared';
import { now, reader, transact, writeAudit, type Tx } from '../shared';

export interface CustomRoleInput {
  name: string;
  base: CustomRoleView['base'];
  rights: ChosenRight[];
}

export const listCustomRoles = (accountId: string): Promise<CustomRoleView[]> =>
  reader().rows<CustomRoleView>(
    `select r.id, r.name, r.base, r.rights, (select count(*)::int from users u where u.custom_role_id = r.id and u.active) as users
     from custom_roles r where r.account_id = $1 and r.deleted_at is null order by r.name`,
    [accountId],
  );

const viewOf = async (accountId: string, id: string): Promise<CustomRoleView> =>
  (await listCustomRoles(accountId)).find((one) => one.id === id)!;

async function requireFreeName(tx: Tx, accountId: string, name: string, but: string | null): Promise<void> {
  const taken = await tx.first(
    'select 1 from custom_roles where account_id = $1 and lower(name) = lower($2) and deleted_at is null and ($3::bigint is null or id <> $3)',
    [accountId, name, but],
  );
  if (taken)
    throw new AppError('input_invalid', 'The role wasn’t saved.', {
      fields: [{ field: 'name', message: 'You have a role of that name' }],
    });
}

/** @throws AppError input_invalid for a name that is taken */
export async function createCustomRole(principal: Principal, input: CustomRoleInput): Promise<CustomRoleView> {
  const { accountId } = scopeFor(principal);
  const id = await transact(async (tx) => {
    await requireFreeName(tx, accountId, input.name, null);
    const row = await tx.first<{ id: string }>(
      'insert into custom_roles (account_id, name, base, rights) values ($1, $2, $3, $4) returning id',
      [accountId, input.name, input.base, input.rights],
    );
    await writeAudit(tx, principal, accountId, 'added a role', { role_id: row!.id, ...input }, await now(tx));
    return row!.id;
  });
  return viewOf(accountId, id);
}

/** What it begins as stays: it decides whose contacts are seen. @throws AppError not_found, input_invalid */
export async function updateCustomRole(
  principal: Principal,
  id: string,
  patch: Partial<Omit<CustomRoleInput, 'base'>>,
): Promise<CustomRoleView> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const there = await tx.first(
      'select 1 from custom_roles where id = $1 and account_id = $2 and deleted_at is null for update',
      [id, accountId],
    );
    if (!there) throw notFound('role');
    if (patch.name) await requireFreeName(tx, accountId, patch.name, id);
    await tx.run('update custom_roles set name = coalesce($2, name), rights = coalesce($3, rights) where id = $1', [
      id,
      patch.name ?? null,
      patch.rights ?? null,
    ]);
    await writeAudit(tx, principal, accountId, 'changed a role', { role_id: id, ...patch }, await now(tx));
  });
  return viewOf(accountId, id);
}

/** @throws AppError conflict while somebody has it */
export async function deleteCustomRole(principal: Principal, id: string): Promise<void> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const used = await tx.first<{ n: number }>(
      'select count(*)::int as n from users where custom_role_id = $1 and account_id = $2 and active',
      [id, accountId],
    );
    if (used!.n) throw new AppError('conflict', 'Somebody has this role. Give them another one first.');
    const rows = await tx.rows<{ name: string }>(
      'update custom_roles set deleted_at = clock_timestamp() where id = $1 and account_id = $2 and deleted_at is null returning name',
      [id, accountId],
    );
    if (!rows.length) throw notFound('role');
    await writeAudit(tx, principal, accountId, 'removed a role', { role_id: id, ...rows[0] }, await now(tx));
  });
}
