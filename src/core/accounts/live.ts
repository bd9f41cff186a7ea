/** Who hears of what changes, while their page is open. */
import type { LiveEvent } from '../shared';
import { scopeFor, seesContactOf, type User } from './roles';

/** An event concerns a person when it is of their account and their scope may see the contact behind it, as far as the event tells. */
export const concerns = (user: User, event: LiveEvent): boolean => {
  if (event.accountId !== user.accountId) return false;
  if (event.userIds?.includes(user.id)) return true;
  const scope = scopeFor({ kind: 'user', user });
  if (scope.sees === 'attached') return event.contactId === undefined;
  const { ownerId, officeId } = event;
  if (scope.sees === 'all' || ownerId === null || ownerId === undefined) return true;
  if (scope.sees === 'office' && officeId === undefined) return true;
  return seesContactOf(scope, { ownerId, officeId: officeId ?? null });
};

/** A lead is its agent's; an offer is each one's to whom it is made. */
export const isMine = (user: User, event: LiveEvent): boolean =>
  event.topic === 'offer' ? Boolean(event.userIds?.includes(user.id)) : event.ownerId === user.id;
