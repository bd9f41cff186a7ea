/** What pages and API answers show of accounts. Dates are instants; over HTTP they are RFC 3339 text (see Jsoned). */
import type { AgentCard, Profile, ToldBy } from './profile';
import type { ChosenRight, KeyScope, Role } from './rights';

/** An API key as pages show it, without the key. */
export interface KeyView {
  id: string;
  name: string;
  hint: string;
  scopes: KeyScope[];
  created_at: Date;
  last_used_at: Date | null;
  /** The door that its leads come by; null for the one that every account has. */
  door: { id: string; name: string } | null;
  /** When it stops by itself, because it was made for a time or a newer one has taken its place. */
  ends_at: Date | null;
  /** A newer one has taken its place. */
  replaced: boolean;
  /** Who answers for it: who made it, or who took over from them. */
  owner: string | null;
}

/** A mail server as somebody enters it. */
export interface MailConnectionInput {
  host: string;
  port: number;
  username: string;
  /** None: the one that it has. */
  password?: string;
  from_address: string;
}

/** By what the account's mail goes out. */
export interface MailConnectionView {
  /** Whether the installation has a mail server for all. */
  by_installation: boolean;
  /** The account's own, without its password. */
  own: (Omit<MailConnectionInput, 'password'> & { state: 'checking' | 'works' | 'fails'; error: string | null }) | null;
}

/** What of a user those who run the office change. */
export interface UserPatch {
  role?: Role;
  /** A role of the brokerage's own, which begins as `role`; null for that as it is. */
  custom_role_id?: string | null;
  office_id?: string | null;
}

/** An office as pages show it. */
export interface OfficeView {
  id: string;
  name: string;
  /** How many work there. */
  users: number;
}

/** Roles that somebody is invited to; ownership is transferred. */
export const INVITED_ROLES = ['admin', 'agent', 'caller', 'lender'] as const satisfies readonly Role[];
/** What somebody may be invited as. */
export type InvitedRole = (typeof INVITED_ROLES)[number];

/** What somebody fills in to invite a user. */
export interface UserInvitationInput {
  email: string;
  role: InvitedRole;
  office_id?: string | null;
  /** Which they are put on when they join. */
  roster_id?: string | null;
  first_name?: string;
  last_name?: string;
  /** By mail, or by a link that whoever invites passes on. */
  by: 'email' | 'link';
}

/** An invitation to work here that nobody has accepted yet. */
export interface UserInvitationView {
  id: string;
  email: string;
  role: InvitedRole;
  name: string;
  office: string | null;
  invited_by: string;
  made_at: Date;
  ends_at: Date;
  /** It has run out; inviting again makes a new link. */
  ended: boolean;
  mailed_at: Date | null;
  /** Why the email has not gone yet. */
  mail_error: string | null;
}

/** A session as its owner sees it: a browser that is logged in. */
export interface SessionView {
  id: string;
  /** The browser and the system, in words: `Chrome on Windows`. */
  device: string;
  /** The network address that it logged in from. */
  from: string;
  created_at: Date;
  last_seen_at: Date;
  /** The one that asks. */
  current: boolean;
}

/** A user as pages and the API show one. */
export interface UserView extends AgentCard {
  id: string;
  role: Role;
  office: string | null;
  office_id: string | null;
  away_until: Date | null;
  away_from: Date | null;
  /** Their role of the brokerage's own, where they have one. */
  custom_role: { id: string; name: string } | null;
  /** Logs in with an authenticator app or a passkey. */
  two_step: boolean;
}

/** What somebody has set up for their own login beside the password. */
export interface LoginSecurityView {
  /** Since when an authenticator app is asked for; null when none is. */
  totp_since: Date | null;
  recovery_codes_left: number;
  passkeys: { id: string; name: string; created_at: Date; last_used_at: Date | null }[];
  /** Their role must log in with a second step. */
  required: boolean;
}

/** A role of the brokerage's own. */
export interface CustomRoleView {
  id: string;
  name: string;
  /** Whose contacts they see: their own, or those of their office. */
  base: 'agent' | 'caller';
  rights: ChosenRight[];
  /** How many have it. */
  users: number;
}

/** People who work together; who leads them sees their contacts. */
export interface TeamView {
  id: string;
  name: string;
  lead: { id: string; name: string } | null;
  members: { id: string; name: string }[];
}

/** Somebody's profile, with what of it stands in their user. */
export interface ProfileView extends Profile {
  id: string;
  first_name: string;
  last_name: string;
  email: string;
  phone: string | null;
  time_zone: string;
  told_by: ToldBy[];
  away_from: Date | null;
  away_until: Date | null;
}
