/** Somebody leaves: they come in no more, whatever is offered to them goes on, and their people are handed on in the background, which can be undone. */
import { AppError, notFound } from '@/core/shared';
import { scopeFor, type Principal, type Role } from '@/core/accounts';
import type { BulkAction, ChangeView } from '@/core/changes';
import { dropOffersOf } from '../routing';
import { now, writeAudit, transact } from '../shared';
import { createChange } from './changes.service';

/**
 * Asked again it only hands on whoever is still theirs.
 * @throws AppError conflict for oneself, and for the owner
 */
export async function deactivateUser(principal: Principal, userId: string, change: BulkAction): Promise<ChangeView> {
  if (change.kind !== 'owner' && change.kind !== 'hand_on')
    throw new AppError('input_invalid', 'Choose who takes their contacts.', {
      fields: [{ field: 'change.kind', message: 'must be one of [owner, hand_on]' }],
    });
  if (change.kind === 'owner' && change.owner_id === userId)
    throw new AppError('input_invalid', 'Choose someone else to take their contacts.', {
      fields: [{ field: 'change.owner_id', message: 'is the person being deactivated' }],
    });
  if (principal.kind === 'user' && principal.user.id === userId)
    throw new AppError('conflict', 'You can’t deactivate yourself. Ask another admin.');
  const { accountId, userId: actorId } = scopeFor(principal);
  await transact(async (tx) => {
    const leaving = await tx.first<{ role: Role }>('select role from users where id = $1 and account_id = $2 for update', [
      userId,
      accountId,
    ]);
    if (!leaving) throw notFound('person');
    if (leaving.role === 'owner')
      throw new AppError('conflict', 'The owner can’t be deactivated. They transfer ownership to another admin first.');
    await tx.run('update users set active = false where id = $1', [userId]);
    await tx.run('delete from sessions where user_id = $1', [userId]);
    /* A website that sends leads by a key goes on doing so; somebody who works here answers for it. */
    await tx.run('update api_keys set created_by = $2 where created_by = $1 and $2::bigint is not null', [userId, actorId]);
    await writeAudit(tx, principal, accountId, 'deactivated a user', { user_id: userId, change }, await now(tx));
  });
  await dropOffersOf(accountId, userId);
  return createChange(principal, {
    selection: { question: { where: JSON.stringify({ on: 'owner', how: 'any', of: [userId] }) } },
    change,
  });
}

/** They are back and may come in again; their people stay where they are. */
export async function reactivateUser(principal: Principal, userId: string): Promise<void> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const rows = await tx.rows('update users set active = true where id = $1 and account_id = $2 returning id', [
      userId,
      accountId,
    ]);
    if (!rows.length) throw notFound('person');
    await writeAudit(tx, principal, accountId, 'reactivated a user', { user_id: userId }, await now(tx));
  });
}
