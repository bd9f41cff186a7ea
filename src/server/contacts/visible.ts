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
    case 'own': {
      const theirs = ownedBy(scope, bind, contact);
      return scope.sharedRosters?.length
        ? `${account} and (${theirs} or ${leadOfRoster(scope.sharedRosters, bind, contact)})`
        : `${account} and ${theirs}`;
    }
    case 'attached':
      bind.push(scope.userId);
      return `${account} and exists (select 1 from contact_lenders visible_to where visible_to.contact_id = ${contact}.id and visible_to.user_id = $${bind.length})`;
  }
}

/** That the contact came as a lead of one of these rosters, and is held by somebody on it: what else its members know is their own. */
function leadOfRoster(rosters: readonly string[], bind: unknown[], contact: string): string {
  bind.push(rosters);
  return `exists (select 1 from routings shared join roster_members sharer on sharer.roster_id = shared.roster_id and sharer.state = 'in'
    where shared.contact_id = ${contact}.id and shared.roster_id = any($${bind.length}::bigint[]) and sharer.user_id = ${contact}.owner_id)`;
}

/** One's own, and those of the team that one leads. */
function ownedBy({ userId, team }: Scope, bind: unknown[], contact: string): string {
  bind.push(team?.length ? [userId, ...team] : userId);
  return team?.length ? `${contact}.owner_id = any($${bind.length}::bigint[])` : `${contact}.owner_id = $${bind.length}`;
}
