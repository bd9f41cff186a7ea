/** API keys: made once and shown once, kept hashed, limited by scopes, revocable, changed for a new one without a gap. */
import type { KeyView } from '@/core/accounts';
import { AppError, notFound } from '@/core/shared';
import { fullName, KEY_SCOPES, type KeyScope, type User, type Principal } from '@/core/accounts';
import { hashed, nameSql, now, randomToken, reader, writeAudit, transact, type RowOf, type Tx } from '../shared';
import { apiKeysTable } from './api-keys.model';

type KeyRow = Pick<RowOf<typeof apiKeysTable>, 'id' | 'account_id' | 'scopes' | 'door_id'>;

/** A key that was found good is believed for this long, so that a burst of leads costs one look-up. */
const TRUST_MS = 3_000;
const trusted = new Map<string, { until: number; principal: Principal }>();

/** The principal of a bearer key. @throws AppError key_invalid */
export async function principalOfKey(key: string): Promise<Principal> {
  const digest = hashed(key);
  const cacheKey = digest.toString('base64');
  const known = trusted.get(cacheKey);
  if (known && known.until > performance.now()) return known.principal;
  const row = await reader().first<KeyRow>(
    `update api_keys set last_used_at = clock_timestamp() where key_hash = $1 and revoked_at is null and (ends_at is null or ends_at > clock_timestamp()) returning id, account_id, scopes, door_id`,
    [digest],
  );
  if (!row) {
    trusted.delete(cacheKey);
    throw new AppError('key_invalid', 'This API key doesn’t exist or was revoked. An admin can create a new one in Setup.');
  }
  const principal: Principal = { kind: 'key', keyId: row.id, accountId: row.account_id, scopes: row.scopes, doorId: row.door_id };
  if (trusted.size > 1_000) trusted.clear();
  trusted.set(cacheKey, { until: performance.now() + TRUST_MS, principal });
  return principal;
}

/** The keys that work now, the oldest first. */
export async function listKeys(accountId: string): Promise<KeyView[]> {
  const keys = await reader().rows<Omit<KeyView, 'door'> & { door_id: string | null; door_name: string | null }>(
    `select k.id, k.name, k.hint, k.scopes, k.created_at, k.last_used_at, k.ends_at, k.replaced_by is not null as replaced, d.id as door_id, d.name as door_name, ${nameSql('u')} as owner
     from api_keys k left join doors d on d.id = k.door_id left join users u on u.id = k.created_by
     where k.account_id = $1 and k.revoked_at is null and (k.ends_at is null or k.ends_at > clock_timestamp()) order by k.id`,
    [accountId],
  );
  return keys.map(({ door_id, door_name, ...key }) => ({ ...key, door: door_id ? { id: door_id, name: door_name! } : null }));
}

/** Makes a key. The answer holds the only copy of it. @param doorId the door that its leads come by; a key of a door may take in leads and nothing else @param days after which it stops; null for never */
export async function createKey(
  user: User,
  name: string,
  scopes: KeyScope[],
  doorId: string | null = null,
  days: number | null = null,
): Promise<KeyView & { key: string }> {
  const problem = (field: string, message: string) =>
    new AppError('input_invalid', 'Couldn’t create the key.', { fields: [{ field, message }] });
  if (!scopes.length || scopes.some((scope) => !KEY_SCOPES.includes(scope)))
    throw problem('scopes', `one or more of ${KEY_SCOPES.join(', ')}`);
  if (doorId && scopes.some((scope) => scope !== 'inquiries:write')) throw problem('scopes', 'a door’s key can only send leads');
  return transact(async (tx) => {
    const door = doorId
      ? await tx.first(`select id from doors where id = $1 and account_id = $2 and kind = 'api' and active`, [
          doorId,
          user.accountId,
        ])
      : null;
    if (doorId && !door) throw problem('door_id', 'is not a door for programs');
    return madeKey(tx, user, { name, scopes, doorId, endsAt: days === null ? null : new Date(Date.now() + days * 86_400_000) });
  });
}

/**
 * Gives a key a successor with the same rights. The answer holds the only copy of it.
 * @param hours how long the old one works beside it, so that no lead is lost while programs are changed; on real time
 * @throws AppError not_found
 */
export async function rotateKey(user: User, id: string, hours: number): Promise<KeyView & { key: string }> {
  const made = await transact(async (tx) => {
    const old = await tx.first<RowOf<typeof apiKeysTable>>(
      `select * from api_keys where id = $1 and account_id = $2 and revoked_at is null and (ends_at is null or ends_at > clock_timestamp()) for update`,
      [id, user.accountId],
    );
    if (!old) throw notFound('API key');
    /* One that was made for a time has a successor for the same time. */
    const lasts = old.ends_at && !old.replaced_by ? old.ends_at.getTime() - old.created_at.getTime() : null;
    const endsAt = lasts === null ? null : new Date(Date.now() + lasts);
    const next = await madeKey(tx, user, { name: old.name, scopes: old.scopes, doorId: old.door_id, endsAt }, id);
    await tx.run(
      `update api_keys set replaced_by = $2, ends_at = least(coalesce(ends_at, 'infinity'), clock_timestamp() + make_interval(hours => $3)) where id = $1`,
      [id, next.id, hours],
    );
    return next;
  });
  trusted.clear();
  return made;
}

async function madeKey(
  tx: Tx,
  user: User,
  { name, scopes, doorId, endsAt }: { name: string; scopes: KeyScope[]; doorId: string | null; endsAt: Date | null },
  instead?: string,
): Promise<KeyView & { key: string }> {
  const key = `urraca_${randomToken(24)}`;
  const hint = `…${key.slice(-4)}`;
  const { id, created_at } = await apiKeysTable.insert(
    {
      account_id: user.accountId,
      name,
      key_hash: hashed(key),
      hint,
      scopes,
      created_by: user.id,
      door_id: doorId,
      ends_at: endsAt,
    },
    tx,
  );
  const door = doorId ? await tx.first<{ id: string; name: string }>('select id, name from doors where id = $1', [doorId]) : null;
  await writeAudit(
    tx,
    { kind: 'user', user },
    user.accountId,
    instead ? 'changed an API key for a new one' : 'made an API key',
    { key_id: id, name, scopes, ...(instead ? { instead } : {}) },
    await now(tx),
  );
  return {
    id,
    name,
    hint,
    scopes,
    created_at,
    last_used_at: null,
    door,
    ends_at: endsAt,
    replaced: false,
    owner: fullName(user),
    key,
  };
}

/** Revokes a key; it stops working in every process within three seconds. */
export async function revokeKey(user: User, id: string): Promise<void> {
  await transact(async (tx) => {
    const rows = await tx.rows(
      'update api_keys set revoked_at = clock_timestamp() where id = $1 and account_id = $2 and revoked_at is null returning id',
      [id, user.accountId],
    );
    if (!rows.length) throw notFound('API key');
    await writeAudit(tx, { kind: 'user', user }, user.accountId, 'revoked an API key', { key_id: id }, await now(tx));
  });
  trusted.clear();
}
