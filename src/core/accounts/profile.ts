/** What somebody tells of themselves: to clients in mails and letters, to the office in the list of users. */
import type { Hours } from '../shared';

/** A license to work in a state. */
export interface License {
  /** Two letters. */
  state: string;
  number: string;
}
/** What somebody tells of themselves beside their name. */
export interface Profile {
  title: string;
  /** A picture in the account's storage. */
  photo_id: string | null;
  signature: string;
  languages: string[];
  licenses: License[];
  /** When they work; empty is always. */
  hours: Hours[];
  /** Numbers beside the one they text and call from. */
  phones: { label: string; number: string }[];
}
/** What clients see of an agent on a public page. */
export interface AgentCard extends Pick<Profile, 'title' | 'photo_id' | 'licenses'> {
  name: string;
  phone: string | null;
  email: string;
}
export const NO_PROFILE: Profile = {
  title: '',
  photo_id: null,
  signature: '',
  languages: [],
  licenses: [],
  hours: [],
  phones: [],
};
export const profileOf = (stated: Partial<Profile> | null | undefined): Profile => ({ ...NO_PROFILE, ...stated });

/** By what somebody is told of what happens while they look elsewhere. */
export const TOLD_BY = ['email', 'text'] as const;
/** One of the ways somebody is told. */
export type ToldBy = (typeof TOLD_BY)[number];
