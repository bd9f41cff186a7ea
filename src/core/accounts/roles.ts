/**
 * Who works here and whose contacts each may see. `scopeFor` is the one place that decides visibility; repositories
 * take the Scope it returns and cannot be called without one.
 */
import { AppError } from '../shared';
import { CHOSEN_RIGHTS, KEY_SCOPES, RIGHTS, type Action, type ChosenRight, type KeyScope, type Role } from './rights';

/** Somebody who logs in. */
export interface User {
  id: string;
  accountId: string;
  officeId: string | null;
  role: Role;
  firstName: string;
  lastName: string;
  email: string;
  phone: string | null;
  timeZone: string;
  dayGoal: number;
  /** Their role asks for a second step at login, and they have set up none: until then they do nothing else. */
  needsSecondStep?: boolean;
  /** Of somebody with a role of the brokerage's own: what of the rights that may be chosen they have. */
  rights?: readonly ChosenRight[];
  /** Whose contacts they see as well, because they lead their team. */
  team?: string[];
  /** The rosters they are on that show all their leads to everybody on them. */
  sharedRosters?: string[];
}

/** Who asks: a user, or a program by its key. */
export type Principal =
  { kind: 'user'; user: User } | { kind: 'key'; keyId: string; accountId: string; scopes: KeyScope[]; doorId: string | null };

declare const scopeBrand: unique symbol;
/** Whose contacts one sees. Made only by `scopeFor` and `wholeAccount`. */
export type Scope = {
  readonly accountId: string;
  readonly sees: 'all' | 'office' | 'own' | 'attached';
  readonly userId: string | null;
  readonly officeId: string | null;
  /** Whether what the team has in common is theirs to change; seeing all is not enough. */
  readonly runsOffice: boolean;
  /** For \`own\`: the rosters whose leads one sees as well, as long as somebody on that roster holds them. */
  readonly sharedRosters?: readonly string[];
  /** For \`own\`: those whose contacts one sees as well, because one leads their team. */
  readonly team?: readonly string[];
} & {
  readonly [scopeBrand]: true;
};

const scope = (parts: {
  accountId: string;
  sees: 'all' | 'office' | 'own' | 'attached';
  userId: string | null;
  officeId: string | null;
  runsOffice: boolean;
  sharedRosters?: readonly string[];
  team?: readonly string[];
}): Scope => parts as Scope;

/** Owners and admins see all; callers their office, or all where they have none; agents their own; lenders those they are attached to; a key with contacts:read sees all. */
export function scopeFor(principal: Principal): Scope {
  if (principal.kind === 'key') return wholeAccount(principal.accountId);
  const { id, accountId, officeId, role } = principal.user;
  const base = { accountId, userId: id, officeId, runsOffice: runsTheOffice(role) };
  switch (role) {
    case 'owner':
    case 'admin':
      return scope({ ...base, sees: 'all' });
    case 'caller':
      return officeId ? scope({ ...base, sees: 'office' }) : scope({ ...base, sees: 'all' });
    case 'agent':
      return scope({ ...base, sees: 'own', sharedRosters: principal.user.sharedRosters ?? [], team: principal.user.team ?? [] });
    case 'lender':
      return scope({ ...base, sees: 'attached' });
  }
}

/** The scope of work that nobody does by hand: the campaign engine, the mail door, a webhook. */
export const wholeAccount = (accountId: string): Scope =>
  scope({ accountId, sees: 'all', userId: null, officeId: null, runsOffice: true });

/** What a person may do: as their role, or as the role of the brokerage's own that they have, which adds to seeing and takes from it. */
export const hasRight = ({ role, rights }: Pick<User, 'role' | 'rights'>, what: Action): boolean =>
  rights && what in CHOSEN_RIGHTS ? rights.includes(what as ChosenRight) : RIGHTS[role][what];

/** True when the principal may do what the scope names. A key may do what it was given; what goes beyond its scopes belongs to changing contacts. */
export const may = (principal: Principal, what: Action): boolean =>
  principal.kind === 'key'
    ? principal.scopes.includes(KEY_SCOPES.includes(what as KeyScope) ? (what as KeyScope) : 'contacts:write')
    : hasRight(principal.user, what);

/** Owners and admins. */
export const runsTheOffice = (role: Role): boolean => RIGHTS[role]['office:run'];
/** The same of whoever asks; a key was made by somebody who does. */
export const mayRunOffice = (principal: Principal): boolean => principal.kind === 'key' || runsTheOffice(principal.user.role);
export const fullName = (person: { firstName: string; lastName: string }): string =>
  `${person.firstName} ${person.lastName}`.trim();

export const accountOf = (principal: Principal): string =>
  principal.kind === 'user' ? principal.user.accountId : principal.accountId;
/** Of long work (changes, imports, exports) one sees one's own; those who run the office, and keys, see all: null. */
export const onlyOf = (principal: Principal): string | null =>
  principal.kind === 'user' && !runsTheOffice(principal.user.role) ? principal.user.id : null;

/** What somebody made for themselves is changed by them; what the team uses by those who run the office. */
export const mayChange = (scope: Scope, { made_by, shared }: { made_by: string | null; shared: boolean }): boolean =>
  scope.runsOffice || (made_by !== null && made_by === scope.userId && !shared);

/** Making something the team's, or one's own again, is for those who run the office. @throws AppError not_allowed */
export function requireSharing(principal: Principal, { shared }: { shared?: boolean }): void {
  if (shared !== undefined && !mayRunOffice(principal))
    throw new AppError('not_allowed', 'Only an owner or admin can share this with the team.');
}
