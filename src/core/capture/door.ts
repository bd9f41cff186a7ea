/** What a door gives to everything that comes by it, and whether it has gone quiet by its own habit. */
import { CONTACT_ROLES, type ContactRole } from '../contacts';
import type { CleanInquiry } from './inquiry';

/** What is taken for said unless the inquiry says otherwise. */
export interface DoorDefaults {
  roles?: ContactRole[];
  tags?: string[];
  /** They are on the phone with us already: no first text. */
  on_the_phone?: boolean;
  /** For whoever is new by it. */
  horizon?: string | null;
  /** Begun where the rung that decides begins none. */
  campaign_id?: string | null;
}

/** An inquiry with what its door gives: roles and source where it has none, tags beside its own. */
export function withDefaults(inquiry: CleanInquiry, source: string | null, defaults: DoorDefaults): CleanInquiry {
  const roles = (defaults.roles ?? []).filter((role) => CONTACT_ROLES.includes(role));
  return {
    ...inquiry,
    source: inquiry.source ?? source,
    roles: inquiry.roles.length ? inquiry.roles : roles,
    tags: [...new Set([...inquiry.tags, ...(defaults.tags ?? [])])],
    onThePhone: inquiry.onThePhone || Boolean(defaults.on_the_phone),
  };
}

/** How a door is used: how many came in the last sixty days, the hours within which nine of ten followed the one before, and the hours since the last. */
export interface DoorUse {
  arrivals: number;
  usualGapHours: number | null;
  hoursSince: number | null;
}
/** Fewer arrivals make no habit. */
const HABIT = 8;
/** A silence is remarkable from this many times the usual gap, and never before a day is over. */
const TIMES = 3;
const SHORTEST_HOURS = 24;

const span = (hours: number): string => {
  const days = Math.round(hours / 24);
  if (hours < 1.5) return 'an hour';
  return hours < 48 ? `${Math.round(hours)} hours` : `${days} days`;
};

/** Says that a door has gone quiet, by its own habit; null while it has not. */
export function quietDoor({ arrivals, usualGapHours, hoursSince }: DoorUse): string | null {
  if (arrivals < HABIT || usualGapHours === null || hoursSince === null) return null;
  if (hoursSince < Math.max(SHORTEST_HOURS, TIMES * usualGapHours)) return null;
  return `No leads for ${span(hoursSince)}; usually one comes in within ${span(usualGapHours)}.`;
}

/** Who sent a mail, as doors tell senders apart: the domain of the address, in small letters. */
export const senderOf = (address: string): string => address.slice(address.lastIndexOf('@') + 1).toLowerCase();
