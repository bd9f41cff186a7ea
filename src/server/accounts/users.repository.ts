/** People and settings of an account, read by almost everybody. */
import type { UserView } from '@/core/accounts';
import { AppError, fieldErrors } from '@/core/shared';
import { scopeFor, settingsOf, settingsPatch, type Principal, type Scope, type Settings } from '@/core/accounts';
import { settingsSchema } from '@/core/accounts/schemas';
import { nameSql, now, reader, writeAudit, transact, type Tx } from '../shared';

/** In SQL, what an agent's card shows beside name, phone and e-mail. */
export const CARD_SQL = (alias: string): string =>
  `coalesce(${alias}.profile ->> 'title', '') as title, ${alias}.profile ->> 'photo_id' as photo_id, coalesce(${alias}.profile -> 'licenses', '[]') as licenses`;

/** The people of the account, in the order of their names; with `left`, those who work here no longer. */
export const listUsers = (scope: Scope, left = false): Promise<UserView[]> =>
  reader().rows<UserView>(
    `select u.id, ${nameSql('u')} as name, u.role, u.email, u.phone, ${CARD_SQL('u')}, o.name as office, u.office_id, u.away_until, u.away_from,
       (select json_build_object('id', r.id::text, 'name', r.name) from custom_roles r where r.id = u.custom_role_id) as custom_role,
       exists (select 1 from totp_secrets t where t.user_id = u.id and t.confirmed_at is not null) or exists (select 1 from passkeys p where p.user_id = u.id) as two_step
     from users u left join offices o on o.id = u.office_id where u.account_id = $1 and u.active <> $2 order by u.first_name, u.last_name`,
    [scope.accountId, left],
  );

/** What the brokerage is called. */
export const brokerageName = async (accountId: string): Promise<string> =>
  (await reader().first<{ name: string }>('select name from accounts where id = $1', [accountId]))!.name;

export async function readSettings(accountId: string, tx: Tx = reader()): Promise<Settings> {
  const row = await tx.first<{ settings: Partial<Settings> }>('select settings from accounts where id = $1', [accountId]);
  return settingsOf(row?.settings);
}

/** In SQL, whether the account `alias` has put all its campaigns on hold. */
export const campaignsHeldSql = (alias: string): string => `coalesce((${alias}.settings->>'campaignsHeld')::boolean, false)`;

/** Before commercial email is begun. @throws AppError input_invalid without the address that each must carry (15 USC 7704(a)(5)) */
export async function requirePostalAddress(accountId: string, tx: Tx = reader()): Promise<void> {
  const { postalAddress } = await readSettings(accountId, tx);
  if (!postalAddress.trim())
    throw new AppError('input_invalid', 'Add your office’s mailing address in Setup first. Every marketing email must show it.', {
      fields: [{ field: 'postal_address', message: 'Enter the office’s street or PO box, city, state, and ZIP' }],
    });
}

/** Changes settings of the account. @throws AppError input_invalid */
export async function updateSettings(principal: Principal, patch: unknown): Promise<Settings> {
  const { value, error } = settingsSchema.validate(patch, { abortEarly: false, convert: false });
  if (error) throw new AppError('input_invalid', 'Couldn’t save the settings.', { fields: fieldErrors(error) });
  const change = settingsPatch(value);
  const { accountId } = scopeFor(principal);
  return transact(async (tx) => {
    const before = await readSettings(accountId, tx);
    const after = { ...before, ...change };
    if (after.sendStart >= after.sendEnd) {
      throw new AppError('input_invalid', 'Couldn’t save the settings.', {
        fields: [{ field: 'send_start', message: 'must be before the time sending ends' }],
      });
    }
    await tx.run('update accounts set settings = settings || $2::jsonb where id = $1', [accountId, JSON.stringify(change)]);
    await writeAudit(tx, principal, accountId, 'changed settings', { before, after }, await now(tx));
    return after;
  });
}
