/** Logins that failed, in the audit of the account they were tried at. */
import { now, transact, writeAudit } from '../shared';

/** @param how what was wrong: the password, or the code after it */
export const auditFailure = (
  accountId: string,
  about: { email: string; from: string; how: 'password' | 'code' },
): Promise<void> => transact(async (tx) => writeAudit(tx, null, accountId, 'login failed', about, await now(tx)));
