/** The append-only audit: who changed access, settings or keys. */
import type { Principal } from '@/core/accounts';
import type { Tx } from './db';

export const writeAudit = (
  tx: Tx,
  principal: Principal | null,
  accountId: string,
  what: string,
  data: object,
  at: Date,
): Promise<void> =>
  tx.run('insert into audit (account_id, user_id, what, data, at, key_id) values ($1, $2, $3, $4::jsonb, $5, $6)', [
    accountId,
    principal?.kind === 'user' ? principal.user.id : null,
    what,
    JSON.stringify(data),
    at,
    principal?.kind === 'key' ? principal.keyId : null,
  ]);
