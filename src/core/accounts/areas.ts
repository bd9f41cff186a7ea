/** The areas on the Wire in the order of the work, and who finds which there. */
import type { Action, Role } from './rights';
import { hasRight, type User } from './roles';

export const AREAS = [
  { key: 'today', name: 'Today', path: '/today', letter: 't' },
  { key: 'inbox', name: 'Inbox', path: '/inbox', letter: 'b' },
  { key: 'intake', name: 'Intake', path: '/intake', letter: 'i' },
  { key: 'contacts', name: 'Contacts', path: '/contacts', letter: 'c' },
  { key: 'routing', name: 'Routing', path: '/routing', letter: 'r' },
  { key: 'campaigns', name: 'Campaigns', path: '/campaigns', letter: 'p' },
  { key: 'market', name: 'Market', path: '/market', letter: 'm' },
  { key: 'results', name: 'Results', path: '/results', letter: 'u' },
] as const;
/** One area of the Wire: its key, its name and its path. */
export type Area = (typeof AREAS)[number];

/** What one must have a right to see. */
const ASKED: Partial<Record<Area['key'], Action>> = { routing: 'routing:read', results: 'results:read' };

/** A lender sees the contacts they are attached to and nothing else. @param who without rights: the role as it is */
export const areasFor = (who: Pick<User, 'role' | 'rights'>): Area[] =>
  AREAS.filter(({ key }) => (who.role === 'lender' ? key === 'contacts' : !ASKED[key] || hasRight(who, ASKED[key])));
/** Where somebody lands after the login. */
export const homeOf = (role: Role): string => areasFor({ role })[0]!.path;
