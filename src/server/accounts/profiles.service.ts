/** Profiles: what somebody tells of themselves, changed by themselves or by those who run the office. */
import { mayRunOffice, profileOf, scopeFor, type Principal, type Profile, type ProfileView, type ToldBy } from '@/core/accounts';
import { AppError, notFound } from '@/core/shared';
import { now, reader, transact, writeAudit, type RowOf } from '../shared';
import { usersTable } from './users.model';

export interface ProfilePatch extends Partial<Profile> {
  first_name?: string;
  last_name?: string;
  phone?: string | null;
  time_zone?: string;
  told_by?: ToldBy[];
}

const viewOf = (user: RowOf<typeof usersTable>): ProfileView => ({
  ...profileOf(user.profile),
  id: user.id,
  first_name: user.first_name,
  last_name: user.last_name,
  email: user.email,
  phone: user.phone,
  time_zone: user.time_zone,
  told_by: user.told_by as ToldBy[],
  away_from: user.away_from,
  away_until: user.away_until,
});

/** Somebody of the account. @throws AppError not_found */
async function userOfAccount(accountId: string, id: string): Promise<RowOf<typeof usersTable>> {
  const user = await usersTable.find({ id, account_id: accountId, active: true });
  if (!user) throw notFound('user');
  return user;
}

/** Oneself, or anybody for those who run the office. @throws AppError not_allowed */
function requireOwn(principal: Principal, id: string): void {
  if (mayRunOffice(principal) || (principal.kind === 'user' && principal.user.id === id)) return;
  throw new AppError('not_allowed', 'Only an owner or admin can see and change someone else’s profile.');
}

export async function readProfile(principal: Principal, id: string): Promise<ProfileView> {
  requireOwn(principal, id);
  return viewOf(await userOfAccount(scopeFor(principal).accountId, id));
}

/** @throws AppError not_found, not_allowed, input_invalid for a picture that isn't there */
export async function updateProfile(principal: Principal, id: string, patch: ProfilePatch): Promise<ProfileView> {
  requireOwn(principal, id);
  const { accountId } = scopeFor(principal);
  const before = await userOfAccount(accountId, id);
  const { first_name, last_name, phone, time_zone, told_by, ...profile } = patch;
  if (profile.photo_id && !(await isPicture(accountId, profile.photo_id)))
    throw new AppError('input_invalid', 'The profile wasn’t saved.', {
      fields: [{ field: 'photo_id', message: 'Choose a picture' }],
    });
  await transact(async (tx) => {
    await tx.run(
      `update users set first_name = $2, last_name = $3, phone = $4, time_zone = $5, told_by = $6, profile = profile || $7::jsonb where id = $1`,
      [
        id,
        first_name ?? before.first_name,
        last_name ?? before.last_name,
        phone === undefined ? before.phone : phone,
        time_zone ?? before.time_zone,
        told_by ?? before.told_by,
        JSON.stringify(profile),
      ],
    );
    await writeAudit(tx, principal, accountId, 'changed a profile', { user_id: id, fields: Object.keys(patch) }, await now(tx));
  });
  return viewOf(await userOfAccount(accountId, id));
}

const isPicture = async (accountId: string, id: string): Promise<boolean> =>
  Boolean(await reader().first('select 1 from pictures where id = $1 and account_id = $2', [id, accountId]));
