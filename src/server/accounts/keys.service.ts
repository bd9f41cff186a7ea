/** API keys: made once and shown once, kept hashed, limited by scopes, revocable. */
import type { KeyView } from '@/core/accounts';
import { AppError, notFound } from '@/core/shared';
import { KEY_SCOPES, type KeyScope, type Person, type Principal } from '@/core/accounts';
import { hashed, now, randomToken, reader, record, transact } from '../shared';
import { models } from './models';

interface KeyRow {
  id: string;
  account_id: string;
  scopes: KeyScope[];
}

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
    `update api_keys set last_used_at = clock_timestamp() where key_hash = $1 and revoked_at is null returning id, account_id, scopes`,
    [digest],
  );
  if (!row) {
    trusted.delete(cacheKey);
    throw new AppError('key_invalid', 'This API key is not known or was revoked. An admin can make a new one in Setup.');
  }
  const principal: Principal = { kind: 'key', keyId: row.id, accountId: row.account_id, scopes: row.scopes };
  if (trusted.size > 1_000) trusted.clear();
  trusted.set(cacheKey, { until: performance.now() + TRUST_MS, principal });
  return principal;
}

export async function listKeys(accountId: string): Promise<KeyView[]> {
  const keys = await models().ApiKey.findAll({ where: { accountId, revokedAt: null }, order: [['id', 'ASC']] });
  return keys.map((key) => ({
    id: key.id,
    name: key.name,
    hint: key.hint,
    scopes: key.scopes,
    created_at: key.createdAt,
    last_used_at: key.lastUsedAt,
  }));
}

/** Makes a key. The answer holds the only copy of it. */
export async function createKey(person: Person, name: string, scopes: KeyScope[]): Promise<KeyView & { key: string }> {
  if (!scopes.length || scopes.some((scope) => !KEY_SCOPES.includes(scope))) {
    throw new AppError('input_invalid', 'Choose what the key may do.', {
      fields: [{ field: 'scopes', message: `one or more of ${KEY_SCOPES.join(', ')}` }],
    });
  }
  const key = `urraca_${randomToken(24)}`;
  const made = await models().ApiKey.create({
    accountId: person.accountId,
    name,
    keyHash: hashed(key),
    hint: `…${key.slice(-4)}`,
    scopes,
    createdBy: person.id,
    revokedAt: null,
    lastUsedAt: null,
  });
  await transact(async (tx) =>
    record(tx, { kind: 'person', person }, person.accountId, 'made an API key', { key_id: made.id, name, scopes }, await now(tx)),
  );
  return { id: made.id, name, hint: made.hint, scopes, created_at: made.createdAt, last_used_at: null, key };
}

/** Revokes a key; it stops working in every process within three seconds. */
export async function revokeKey(person: Person, id: string): Promise<void> {
  await transact(async (tx) => {
    const rows = await tx.rows(
      'update api_keys set revoked_at = clock_timestamp() where id = $1 and account_id = $2 and revoked_at is null returning id',
      [id, person.accountId],
    );
    if (!rows.length) throw notFound('API key');
    await record(tx, { kind: 'person', person }, person.accountId, 'revoked an API key', { key_id: id }, await now(tx));
  });
  trusted.clear();
}
