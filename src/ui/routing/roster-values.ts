/** A roster as its form holds it, and what is sent of it. */
import { HAND_OUTS } from '@/core/routing';
import type { Hours } from '@/core/shared';
import type { RosterJson } from './shapes';

/** Somebody on the roster, as the form changes them. */
export interface MemberValues {
  id: string;
  name: string;
  weight: number;
  daily_cap: number | null;
  open_cap: number | null;
  hours: Hours[];
  paused: boolean;
}
export const newMember = ({ id, name }: { id: string; name: string }): MemberValues => ({
  id,
  name,
  weight: 1,
  daily_cap: null,
  open_cap: null,
  hours: [],
  paused: false,
});

/** What is sent of somebody. */
const termsOf = ({ id, weight, daily_cap, open_cap, hours, paused }: Omit<MemberValues, 'name'>) => ({
  id,
  weight,
  daily_cap,
  open_cap,
  hours,
  paused,
});

export const rosterValues = (roster: RosterJson | null) => ({
  name: roster?.name ?? '',
  hand_out: roster?.hand_out ?? HAND_OUTS[0],
  window_seconds: roster?.window_seconds ?? 600,
  try_seconds: roster?.try_seconds ?? null,
  most_turns: roster?.most_turns ?? null,
  then_to: roster?.then.to ?? 'safety_net',
  then_roster_id: roster?.then.roster?.id ?? '',
  commons_seconds: roster?.then.seconds ?? 3_600,
  hides: roster?.hides ?? [],
  sees: roster?.sees ?? 'own',
  safety_net_id: roster?.safety_net.id ?? '',
  invite: false,
  members: (roster?.members ?? []).map((member): MemberValues => ({ ...termsOf(member), name: member.name })),
});
export type RosterValues = ReturnType<typeof rosterValues>;

/** @param firstUser is the safety net where none was chosen */
export const rosterBody = (
  { then_to, then_roster_id, commons_seconds, members, safety_net_id, ...rest }: RosterValues,
  firstUser: string,
) => ({
  ...rest,
  safety_net_id: safety_net_id || firstUser,
  then: { to: then_to, roster_id: then_roster_id || null, seconds: commons_seconds },
  members: members.map(termsOf),
});
