/** The offices of a brokerage: made, renamed, and taken away once nobody sits there. */
import type { OfficeView, Principal } from '@/core/accounts';
import { AppError, notFound } from '@/core/shared';
import { scopeFor } from '@/core/accounts';
import { now, reader, transact, writeAudit, type Tx } from '../shared';
import { officesTable } from './offices.model';

/** In the order of their names, with how many work in each. */
export const listOffices = (accountId: string): Promise<OfficeView[]> =>
  reader().rows<OfficeView>(
    `select o.id, o.name, (select count(*)::int from users u where u.office_id = o.id and u.active) as users from offices o where o.account_id = $1 order by lower(o.name), o.id`,
    [accountId],
  );

/** @throws AppError input_invalid for a name that another one has */
async function requireNewName(tx: Tx, accountId: string, name: string, but: string | null): Promise<void> {
  const same = await tx.rows(
    'select 1 from offices where account_id = $1 and lower(name) = lower($2) and id is distinct from $3',
    [accountId, name, but],
  );
  if (same.length)
    throw new AppError('input_invalid', 'The office wasn’t saved.', {
      fields: [{ field: 'name', message: 'An office has this name already' }],
    });
}

export async function createOffice(principal: Principal, name: string): Promise<OfficeView> {
  const { accountId } = scopeFor(principal);
  return transact(async (tx) => {
    await requireNewName(tx, accountId, name, null);
    const { id } = await officesTable.insert({ account_id: accountId, name }, tx);
    await writeAudit(tx, principal, accountId, 'added an office', { name }, await now(tx));
    return { id, name, users: 0 };
  });
}

/** @throws AppError not_found */
export async function renameOffice(principal: Principal, id: string, name: string): Promise<void> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    if (!(await officesTable.find({ id, account_id: accountId }, tx))) throw notFound('office');
    await requireNewName(tx, accountId, name, id);
    await officesTable.update({ name }, { id }, tx);
    await writeAudit(tx, principal, accountId, 'renamed an office', { office_id: id, name }, await now(tx));
  });
}

/** Contacts, invitations and whoever left stay without an office. @throws AppError not_found; conflict while somebody works there */
export async function removeOffice(principal: Principal, id: string): Promise<void> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const office = await tx.first<{ name: string; users: number }>(
      `select o.name, (select count(*)::int from users u where u.office_id = o.id and u.active) as users from offices o where o.id = $1 and o.account_id = $2 for update of o`,
      [id, accountId],
    );
    if (!office) throw notFound('office');
    if (office.users)
      throw new AppError(
        'conflict',
        `${office.users} ${office.users === 1 ? 'user works' : 'users work'} at ${office.name}. Move them to another office first.`,
      );
    for (const table of ['users', 'contacts', 'user_invitations'])
      await tx.run(`update ${table} set office_id = null where office_id = $1`, [id]);
    await tx.run('delete from offices where id = $1', [id]);
    await writeAudit(tx, principal, accountId, 'removed an office', { name: office.name }, await now(tx));
  });
}
