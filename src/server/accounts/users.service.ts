/** Who works here changes: role and office of a user, and who owns the brokerage. Of each change its user is told by mail. */
import { randomUUID } from 'node:crypto';
import { fullName, type Principal, type UserPatch } from '@/core/accounts';
import { AppError, notFound } from '@/core/shared';
import { scopeFor } from '@/core/accounts';
import { enqueue, now, transact, writeAudit, type RowOf, type Tx } from '../shared';
import { officesTable } from './offices.model';
import { usersTable } from './users.model';

type UserRow = RowOf<typeof usersTable>;

const refused = (field: string, message: string): AppError =>
  new AppError('input_invalid', 'The user wasn’t changed.', { fields: [{ field, message }] });

/** Somebody of the account, locked. @throws AppError not_found */
async function lockUser(tx: Tx, accountId: string, id: string): Promise<UserRow> {
  const user = await tx.first<UserRow>('select * from users where id = $1 and account_id = $2 and active for update', [
    id,
    accountId,
  ]);
  if (!user) throw notFound('user');
  return user;
}

/** A lender sees other people than everybody else does, so nobody becomes one, or stops being one. @throws AppError input_invalid */
function requireRoleChange(before: UserRow, role: UserRow['role']): void {
  if (before.role === 'owner') throw refused('role', 'The owner’s role changes when they transfer ownership');
  if (role === 'owner') throw refused('role', 'Only the owner can transfer ownership');
  if ((before.role === 'lender') !== (role === 'lender'))
    throw refused('role', 'Lenders stay lenders. Invite this person again in their new role');
}

/** The role of the brokerage's own that they have from now on: it must begin as the role they have. @throws AppError input_invalid */
async function customRole(
  tx: Tx,
  accountId: string,
  before: UserRow,
  { role, given }: { role: UserRow['role']; given: string | null | undefined },
): Promise<string | null> {
  if (given === undefined) return role === before.role ? before.custom_role_id : null;
  if (given === null) return null;
  const found = await tx.first<{ base: string }>(
    'select base from custom_roles where id = $1 and account_id = $2 and deleted_at is null',
    [given, accountId],
  );
  if (!found) throw refused('custom_role_id', 'Choose a role');
  if (found.base !== role) throw refused('custom_role_id', `This role begins as ${found.base}`);
  return given;
}

/** Changes role and office of a user. @throws AppError not_found, input_invalid, conflict for one's own role */
export async function updateUser(principal: Principal, id: string, patch: UserPatch): Promise<void> {
  const { accountId, userId } = scopeFor(principal);
  await transact(async (tx) => {
    const before = await lockUser(tx, accountId, id);
    const role = patch.role ?? before.role;
    const office_id = patch.office_id === undefined ? before.office_id : patch.office_id;
    if (role !== before.role) {
      if (userId === id) throw new AppError('conflict', 'You can’t change your own role. Ask another admin.');
      requireRoleChange(before, role);
    }
    if (office_id && !(await officesTable.find({ id: office_id, account_id: accountId }, tx)))
      throw refused('office_id', 'Choose an office');
    const custom_role_id = await customRole(tx, accountId, before, { role, given: patch.custom_role_id });
    await tx.run('update users set role = $2, office_id = $3, custom_role_id = $4 where id = $1', [
      id,
      role,
      office_id,
      custom_role_id,
    ]);
    const at = await now(tx);
    await writeAudit(
      tx,
      principal,
      accountId,
      'changed a user',
      {
        user_id: id,
        before: { role: before.role, office_id: before.office_id, custom_role_id: before.custom_role_id },
        after: { role, office_id, custom_role_id },
      },
      at,
    );
    if (role !== before.role)
      await tellUser(
        tx,
        before,
        'Your role was changed',
        `Your role is now ${role}. What you can see and do has changed with it.`,
      );
  });
}

/**
 * Hands the brokerage to another admin: they own it, and the owner before is an admin.
 * @throws AppError not_allowed for anybody but the owner; input_invalid for whoever isn't an admin
 */
export async function transferOwnership(principal: Principal, id: string): Promise<void> {
  if (principal.kind !== 'user' || principal.user.role !== 'owner')
    throw new AppError('not_allowed', 'Only the owner can transfer ownership.');
  const { user } = principal;
  await transact(async (tx) => {
    const next = await lockUser(tx, user.accountId, id);
    if (next.role !== 'admin') throw refused('id', 'Make them an admin first');
    const owned = await tx.rows(`update users set role = 'admin' where id = $1 and role = 'owner' returning id`, [user.id]);
    if (!owned.length) throw new AppError('conflict', 'You don’t own this brokerage any more.');
    await tx.run(`update users set role = 'owner' where id = $1`, [id]);
    await writeAudit(tx, principal, user.accountId, 'transferred ownership', { to: id, email: next.email }, await now(tx));
    await tellUser(tx, next, 'You own the brokerage now', `${fullName(user)} transferred ownership to you.`);
  });
}

const tellUser = (tx: Tx, { id, first_name }: UserRow, subject: string, words: string): Promise<void> =>
  enqueue(tx, 'accounts.mail', {
    mail: { key: `user-${randomUUID()}`, userId: id, subject, text: `Hi ${first_name},\n\n${words}` },
  });
