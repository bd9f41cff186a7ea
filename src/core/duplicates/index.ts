/** Contacts who may be one person: why, and what the merged one keeps. */
import type { ContactView } from '../contacts';
import { listed } from '../shared';

export const REASONS = {
  same_email: 'the same email',
  same_phone: 'the same phone',
  same_name: 'the same name',
  like_name: 'similar names',
  short_name: 'matching nicknames',
  same_home: 'the same address',
  same_birthday: 'the same birthday',
  same_postal: 'the same ZIP code',
  same_town: 'the same city',
} as const;
/** Why two contacts may be one person. */
export type DuplicateReason = keyof typeof REASONS;

/** The reasons in words, the surest first. */
export const reasonsSentence = (reasons: readonly DuplicateReason[]): string =>
  listed((Object.keys(REASONS) as DuplicateReason[]).filter((one) => reasons.includes(one)).map((one) => REASONS[one]));

/** The fields one chooses side by side; the rest (addresses, tags, dates, activities, enrollments) is kept of both. */
export const MERGE_FIELDS = ['name', 'company', 'place', 'stage', 'horizon', 'owner', 'source'] as const;
/** A fact of which a merge keeps one side. */
export type MergeChoice = (typeof MERGE_FIELDS)[number];
/** Of each such fact, whose is kept. */
export type MergeChoices = Partial<Record<MergeChoice, 'kept' | 'gone'>>;

type Side = Pick<ContactView, 'first_name' | 'last_name' | 'company' | 'place' | 'stage' | 'horizon' | 'owner' | 'source'>;
const empty: Record<MergeChoice, (side: Side) => boolean> = {
  name: (side) => !side.first_name && !side.last_name,
  company: (side) => !side.company,
  place: (side) => !side.place.street && !side.place.city && !side.place.postal_code,
  stage: () => false,
  horizon: (side) => !side.horizon,
  owner: (side) => !side.owner,
  source: (side) => !side.source,
};

/** Where nobody chose: the kept one's, unless it says nothing and the other does. */
export const chosenSide = (field: MergeChoice, survivor: Side, gone: Side, choices: MergeChoices): 'kept' | 'gone' =>
  choices[field] ?? (empty[field](survivor) && !empty[field](gone) ? 'gone' : 'kept');

/** Two contacts who may be one, side by side. */
export interface PairView {
  one: ContactView;
  other: ContactView;
  reasons: DuplicateReason[];
  because: string;
}
/** Where the search for duplicates stands. */
export interface DuplicateScanView {
  state: 'never' | 'waiting' | 'running' | 'done' | 'failed';
  pairs: number;
  error: string | null;
  ended_at: Date | null;
}

/** A merge that can be taken apart. */
export interface MergeView {
  id: string;
  gone: string;
  at: Date;
  by: string | null;
}
