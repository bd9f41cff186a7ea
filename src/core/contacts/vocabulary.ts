/**
 * The words for contacts: stages, horizons, roles and dates. Names and meanings are the defaults a
 * new account begins with; it may add stages and horizons of its own.
 */
export const STAGES = [
  { key: 'new', name: 'New', meaning: 'Not attempted yet' },
  { key: 'reaching', name: 'Reaching', meaning: 'Attempted, not reached yet' },
  { key: 'talking', name: 'Talking', meaning: 'Had a conversation' },
  { key: 'client', name: 'Client', meaning: 'Agreement signed' },
  { key: 'under_contract', name: 'Under contract', meaning: 'Offer accepted' },
  { key: 'past_client', name: 'Past client', meaning: 'Bought or sold with us' },
  { key: 'sphere', name: 'Sphere', meaning: 'People you know' },
  { key: 'archived', name: 'Archived', meaning: 'Archived, with a reason' },
] as const;
/** A step of the work, on which the rules stand: what moves by itself, what campaigns follow up, who counts as a client. */
export type BuiltInStage = (typeof STAGES)[number]['key'];
/** Where somebody stands: a step, or a stage of the account's own, whose key names the step that it counts as (`talking.12`). */
export type Stage = BuiltInStage | `${BuiltInStage}.${number}`;
export const stepOf = (stage: string): BuiltInStage => stage.split('.')[0] as BuiltInStage;
/** Steps that a stage of one's own may count as. New and Archived are not among them: there is one way to be untried, and one to be put away. */
export const OWN_STEPS = [
  'reaching',
  'talking',
  'client',
  'under_contract',
  'past_client',
  'sphere',
] as const satisfies BuiltInStage[];
/** A step that a stage of one's own counts as. */
export type OwnStep = (typeof OWN_STEPS)[number];
/** Stages that cannot be removed, since people move there by themselves, or are counted or put away there. */
export const KEPT_STAGES: readonly string[] = ['new', 'reaching', 'talking', 'client', 'archived'] satisfies BuiltInStage[];

export const HORIZONS = [
  { key: 'hot', name: 'Hot', meaning: 'Ready now', rhythmDays: 2, strokes: 4 },
  { key: 'warm', name: 'Warm', meaning: 'Within 3 months', rhythmDays: 10, strokes: 3 },
  { key: 'nurture', name: 'Nurture', meaning: 'Within a year', rhythmDays: 35, strokes: 2 },
  { key: 'someday', name: 'Someday', meaning: 'No timeline yet', rhythmDays: 90, strokes: 1 },
] as const;
/** The key of a horizon: one of those above, or one of the account's own (`own.12`). */
export type Horizon = string;

export const CONTACT_ROLES = ['buyer', 'seller', 'renter', 'landlord', 'agent', 'vendor'] as const;
/** What a contact wants to do: buy, sell, rent out … */
export type ContactRole = (typeof CONTACT_ROLES)[number];

/** What each is called, in the middle of a sentence. */
export const ROLE_NAMES: Record<ContactRole, string> = {
  buyer: 'buyer',
  seller: 'seller',
  renter: 'renter',
  landlord: 'landlord',
  agent: 'agent',
  vendor: 'service provider',
};

/** Days that matter about a person, every year. */
export const DATE_KINDS = ['birthday', 'closing', 'wedding', 'other'] as const;
/** What an important date is of. */
export type DateKind = (typeof DATE_KINDS)[number];
export const DATE_NAMES: Record<DateKind, string> = {
  birthday: 'birthday',
  closing: 'closing anniversary',
  wedding: 'wedding anniversary',
  other: 'important date',
};

/** Stages in which automatic follow-up goes on. From Client on, somebody works with the person and campaigns end. */
export const FOLLOWED_UP: readonly BuiltInStage[] = ['new', 'reaching', 'talking', 'sphere'];
/** Stages of somebody who became a client. */
export const CLIENT_STAGES: readonly BuiltInStage[] = ['client', 'under_contract', 'past_client'];
export const isFollowedUp = (stage: string): boolean => FOLLOWED_UP.includes(stepOf(stage));

/** The names of stages that an account did not rename; one of its own is called by its step where its name is not at hand. */
export const stageName = (key: string): string => STAGES.find((stage) => stage.key === stepOf(key))?.name ?? key;
