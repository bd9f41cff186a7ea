/** The condition that every repository applies: which contacts a Scope sees, as SQL over a contact's row. */
import type { Scope } from '@/core/accounts';

/**
 * Adds the scope's values to `bind` and answers the condition. `contact` is the alias of the contacts row in the query;
 * it always begins with account_id, so that another brokerage is never in reach, and what was deleted is out of sight.
 */
export function visible(scope: Scope, bind: unknown[], contact = 'c'): string {
  bind.push(scope.accountId);
  const account = `${contact}.account_id = $${bind.length} and ${contact}.deleted_at is null`;
  switch (scope.sees) {
    case 'all':
      return account;
    case 'office':
      bind.push(scope.officeId);
      return `${account} and ${contact}.office_id = $${bind.length}`;
    case 'own':
      if (scope.colleagues?.length) {
        bind.push([scope.userId, ...scope.colleagues]);
        return `${account} and ${contact}.owner_id = any($${bind.length}::bigint[])`;
      }
      bind.push(scope.userId);
      return `${account} and ${contact}.owner_id = $${bind.length}`;
    case 'attached':
      bind.push(scope.userId);
      return `${account} and exists (select 1 from contact_lenders visible_to where visible_to.contact_id = ${contact}.id and visible_to.user_id = $${bind.length})`;
  }
}
