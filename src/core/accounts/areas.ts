/** The areas on the Wire in the order of the work, and who finds which there. */
import type { Role } from './rights';

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

/** A lender sees the contacts they are attached to and nothing else. */
export const areasFor = (role: Role): Area[] => AREAS.filter((area) => role !== 'lender' || area.key === 'contacts');
/** Where somebody lands after the login. */
export const homeOf = (role: Role): string => areasFor(role)[0]!.path;
