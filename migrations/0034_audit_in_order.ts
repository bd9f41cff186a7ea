/** The audit is read newest first, an account at a time. */
import type { Migration } from './migration';

export const auditInOrder: Migration = {
  name: '0034_audit_in_order',
  up: (run) => run('create index audit_in_order on audit (account_id, id desc)'),
};
