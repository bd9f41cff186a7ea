/** Who hears of what changes, while their page is open. */
import type { LiveEvent } from '../shared';
import { scopeFor, type User } from './roles';

/**
 * An event concerns a person when it is of their account and their scope may see the contact behind it, as far as the event tells: who shares a
 * roster's leads hears that something changed, and reads again what they may see.
 */
export const concerns = (user: User, event: LiveEvent): boolean => {
  if (event.accountId !== user.accountId) return false;
  if (event.userIds?.includes(user.id)) return true;
  const { sees, userId, officeId, sharedRosters, team } = scopeFor({ kind: 'user', user });
  if (sees === 'attached') return event.contactId === undefined;
  if (sees === 'all' || event.ownerId === null || event.ownerId === undefined) return true;
  if (sees === 'office') return event.officeId === undefined || event.officeId === officeId;
  return event.ownerId === userId || Boolean(team?.includes(event.ownerId)) || Boolean(sharedRosters?.length);
};

/** A lead is its agent's; an offer is each one's to whom it is made. */
export const isMine = (user: User, event: LiveEvent): boolean =>
  event.topic === 'offer' ? Boolean(event.userIds?.includes(user.id)) : event.ownerId === user.id;
