/** A made-up ladder with its rosters, as tests of components need them. */
import type { LadderJson, RosterJson } from '@/ui/routing/shapes';

const member = (id: string, name: string): RosterJson['members'][number] => ({
  id,
  name,
  email: '',
  weight: 1,
  daily_cap: null,
  open_cap: null,
  hours: [],
  paused: false,
  state: 'in',
  handed: 0,
  due: 0,
  away_from: null,
  away_until: null,
  away: false,
  off: null,
  next: false,
  median_seconds: null,
});

export const ROSTER: RosterJson = {
  id: '8',
  name: 'Coast agents',
  hand_out: 'round_robin',
  window_seconds: 600,
  try_seconds: null,
  most_turns: null,
  then: { to: 'safety_net', roster: null, seconds: 3_600 },
  hides: [],
  sees: 'own',
  safety_net: { id: '1', name: 'Ines Kolar' },
  longest: { owned: 0, settled: 0 },
  rungs: 1,
  members: [member('1', 'Ines Kolar'), member('2', 'Asta Lund')],
};
export const OTHER_ROSTER: RosterJson = { ...ROSTER, id: '9', name: 'Night watch' };

const rung = (id: string, position: number, who: string, roster: RosterJson): LadderJson['rungs'][number] => ({
  id,
  position,
  tree: { all: [] },
  who,
  roster: { id: roster.id, name: roster.name },
  campaign: null,
  tags: [],
  lender: null,
  lender_roster: null,
  notify: [],
  inquiries: 12,
  shadowed_by: null,
  broken: false,
});

export const LADDER: LadderJson = {
  version: '41',
  own_listing: true,
  inquiries: 120,
  returning: 20,
  by_hand: 4,
  by_source: 0,
  by_listing: 6,
  safety_net: 3,
  last_resort: 'Ines Kolar',
  rungs: [rung('1', 1, 'Buyers', ROSTER), rung('2', 2, 'Everyone', OTHER_ROSTER)],
  rosters: [ROSTER, OTHER_ROSTER],
};
