/** Somebody leaves: they come in no more, whatever is offered to them goes on, and their people are handed on in the background, which can be undone. */
import { AppError, notFound } from '@/core/shared';
import { scopeFor, type Principal } from '@/core/accounts';
import type { BulkAction, ChangeView } from '@/core/changes';
import { dropOffersOf } from '../routing';
import { now, writeAudit, transact } from '../shared';
import { createChange } from './changes.service';

/**
 * Asked again it only hands on whoever is still theirs.
 * @throws AppError conflict for oneself, and for the last who runs the office
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
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const others = await tx.first(
      `select 1 from users where account_id = $1 and active and role in ('owner','admin') and id <> $2 limit 1`,
      [accountId, userId],
    );
    if (!others) throw new AppError('conflict', 'Someone has to run the office. Make another person an admin first.');
    const rows = await tx.rows('update users set active = false where id = $1 and account_id = $2 returning id', [
      userId,
      accountId,
    ]);
    if (!rows.length) throw notFound('person');
    await tx.run('delete from sessions where user_id = $1', [userId]);
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
