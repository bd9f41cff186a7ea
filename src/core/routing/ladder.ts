/**
 * The ladder: rungs read from the top; the first that matches decides. Here is the choice itself, as a function of what
 * the service read under the roster's lock.
 */
import type { Because } from '../contacts';
import type { ContactRole } from '../contacts';

export interface RosterMember {
  userId: string;
  name: string;
  position: number;
  awayUntil: Date | null;
  active: boolean;
}

export interface Roster {
  id: string;
  name: string;
  members: RosterMember[];
  /** Whom the roster handed its last lead to; the next in order is next. */
  lastUserId: string | null;
  safetyNet: { userId: string; name: string };
}

export interface Rung {
  id: string;
  position: number;
  /** Roles that match; any of them. Empty matches everybody. */
  roles: ContactRole[];
  rosterId: string;
  campaignId: string | null;
}

/** The first rung that matches; null when none does. */
export const matchingRung = (rungs: Rung[], roles: string[]): Rung | null =>
  [...rungs]
    .sort((a, b) => a.position - b.position)
    .find((rung) => rung.roles.length === 0 || rung.roles.some((role) => roles.includes(role))) ?? null;

const ROLE_PLURALS: Record<ContactRole, string> = {
  buyer: 'Buyers',
  seller: 'Sellers',
  renter: 'Renters',
  landlord: 'Landlords',
  agent: 'Agents',
  vendor: 'Vendors',
};
/** Who a rung is for, in words: `Buyers and renters`, `Everybody`. */
export function whoOf(rung: { roles: string[] }): string {
  const names = rung.roles.map((role) => ROLE_PLURALS[role as ContactRole] ?? role);
  if (names.length === 0) return 'Everybody';
  return names.length === 1 ? names[0]! : `${names.slice(0, -1).join(', ')} and ${names.at(-1)!.toLowerCase()}`;
}

export const isAway = (member: { awayUntil: Date | null; active: boolean }, now: Date): boolean =>
  !member.active || (member.awayUntil !== null && member.awayUntil > now);

/** Members in the order of their turns, beginning with the one after the last. */
export function turnOrder(roster: Roster): RosterMember[] {
  const ordered = [...roster.members].sort((a, b) => a.position - b.position);
  const last = ordered.findIndex((member) => member.userId === roster.lastUserId);
  return [...ordered.slice(last + 1), ...ordered.slice(0, last + 1)];
}

/** The next member whose turn it is and who is not away, with the names of those skipped; the safety net when all are away. */
export function chooseFromRoster(rung: Rung, roster: Roster, now: Date): { userId: string; because: Because } {
  const skipped: string[] = [];
  for (const member of turnOrder(roster)) {
    if (!isAway(member, now)) {
      return {
        userId: member.userId,
        because: { why: 'round_robin', rung: rung.position, who: whoOf(rung), roster: roster.name, agent: member.name, skipped },
      };
    }
    skipped.push(member.name);
  }
  return {
    userId: roster.safetyNet.userId,
    because: { why: 'safety_net', roster: roster.name, agent: roster.safetyNet.name, cause: 'all_away' },
  };
}
