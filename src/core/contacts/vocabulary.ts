/** The closed words for contacts: stages, horizons, roles, and the channels a touch may take. Names and meanings are the defaults a new account begins with. */
export const STAGES = [
  { key: 'new', name: 'New', meaning: 'Nobody has tried to reach them' },
  { key: 'reaching', name: 'Reaching', meaning: 'Tried, not yet spoken' },
  { key: 'talking', name: 'Talking', meaning: 'A conversation took place' },
  { key: 'client', name: 'Client', meaning: 'An agreement is signed' },
  { key: 'under_contract', name: 'Under contract', meaning: 'An offer is accepted' },
  { key: 'past_client', name: 'Past client', meaning: 'Bought or sold with us' },
  { key: 'sphere', name: 'Sphere', meaning: 'Known personally' },
  { key: 'archived', name: 'Archived', meaning: 'Put away, with a reason' },
] as const;
export type Stage = (typeof STAGES)[number]['key'];
export const STAGE_KEYS = STAGES.map((stage) => stage.key) as Stage[];

export const HORIZONS = [
  { key: 'hot', name: 'Hot', meaning: 'Ready to meet now', rhythmDays: 2, strokes: 4 },
  { key: 'warm', name: 'Warm', meaning: 'Within this season', rhythmDays: 10, strokes: 3 },
  { key: 'nurture', name: 'Nurture', meaning: 'Within about a year', rhythmDays: 35, strokes: 2 },
  { key: 'someday', name: 'Someday', meaning: 'No date yet', rhythmDays: 90, strokes: 1 },
] as const;
export type Horizon = (typeof HORIZONS)[number]['key'];
export const HORIZON_KEYS = HORIZONS.map((horizon) => horizon.key) as Horizon[];

export const CONTACT_ROLES = ['buyer', 'seller', 'renter', 'landlord', 'agent', 'vendor'] as const;
export type ContactRole = (typeof CONTACT_ROLES)[number];

/** Days that matter about a person, every year. */
export const DATE_KINDS = ['birthday', 'closing', 'wedding', 'other'] as const;
export type DateKind = (typeof DATE_KINDS)[number];
export const DATE_NAMES: Record<DateKind, string> = {
  birthday: 'birthday',
  closing: 'closing anniversary',
  wedding: 'wedding anniversary',
  other: 'important date',
};

export const CHANNELS = ['call', 'text', 'email', 'letter'] as const;
export type Channel = (typeof CHANNELS)[number];
export const CHANNEL_NAMES: Record<Channel, string> = { call: 'call', text: 'text', email: 'e-mail', letter: 'letter' };

/** Stages in which automatic follow-up goes on. From Client on, somebody works with the person and campaigns end. */
export const FOLLOWED_UP: readonly Stage[] = ['new', 'reaching', 'talking', 'sphere'];

export const stageName = (key: string): string => STAGES.find((stage) => stage.key === key)?.name ?? key;
export const horizonName = (key: string): string => HORIZONS.find((horizon) => horizon.key === key)?.name ?? key;
