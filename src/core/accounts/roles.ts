/**
 * Who works here and whose contacts each may see. `scopeFor` is the one place that decides visibility; repositories
 * take the Scope it returns and cannot be called without one.
 */
export const ROLES = ['owner', 'admin', 'agent', 'caller', 'lender'] as const;
export type Role = (typeof ROLES)[number];

/** What an API key may do. A logged-in person acts within the scopes of their role. */
export const KEY_SCOPES = [
  'inquiries:write',
  'contacts:read',
  'contacts:write',
  'results:read',
  'routing:read',
  'routing:write',
  'setup:write',
  'simulation',
] as const;
export type KeyScope = (typeof KEY_SCOPES)[number];

export interface Person {
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
  /** Whose leads they see beside their own: those on a roster with them that shows all its leads. */
  colleagues?: string[];
}

export type Principal =
  | { kind: 'person'; person: Person }
  | { kind: 'key'; keyId: string; accountId: string; scopes: KeyScope[]; doorId: string | null };

declare const scopeBrand: unique symbol;
/** Whose contacts one sees. Made only by `scopeFor` and `wholeAccount`. */
export type Scope = {
  readonly accountId: string;
  readonly sees: 'all' | 'office' | 'own' | 'attached';
  readonly userId: string | null;
  readonly officeId: string | null;
  /** For \`own\`: whose contacts one sees as well. */
  readonly colleagues?: readonly string[];
} & {
  readonly [scopeBrand]: true;
};

const scope = (parts: {
  accountId: string;
  sees: 'all' | 'office' | 'own' | 'attached';
  userId: string | null;
  officeId: string | null;
  colleagues?: readonly string[];
}): Scope => parts as Scope;

/** Owners and admins see all; callers their office; agents their own; lenders those they are attached to; a key with contacts:read sees all. */
export function scopeFor(principal: Principal): Scope {
  if (principal.kind === 'key') return wholeAccount(principal.accountId);
  const { id, accountId, officeId, role } = principal.person;
  const base = { accountId, userId: id, officeId };
  switch (role) {
    case 'owner':
    case 'admin':
      return scope({ ...base, sees: 'all' });
    case 'caller':
      return officeId ? scope({ ...base, sees: 'office' }) : scope({ ...base, sees: 'all' });
    case 'agent':
      return scope({ ...base, sees: 'own', colleagues: principal.person.colleagues ?? [] });
    case 'lender':
      return scope({ ...base, sees: 'attached' });
  }
}

/** The scope of work that nobody does by hand: the campaign engine, the mail door, a webhook. */
export const wholeAccount = (accountId: string): Scope => scope({ accountId, sees: 'all', userId: null, officeId: null });

const ROLE_SCOPES: Record<Role, readonly KeyScope[]> = {
  owner: KEY_SCOPES,
  admin: KEY_SCOPES,
  agent: ['inquiries:write', 'contacts:read', 'contacts:write', 'results:read', 'routing:read', 'simulation'],
  caller: ['inquiries:write', 'contacts:read', 'contacts:write', 'results:read', 'routing:read', 'simulation'],
  lender: ['contacts:read'],
};

/** True when the principal may do what the scope names. */
export const may = (principal: Principal, what: KeyScope): boolean =>
  principal.kind === 'key' ? principal.scopes.includes(what) : ROLE_SCOPES[principal.person.role].includes(what);

export const runsTheOffice = (role: Role): boolean => role === 'owner' || role === 'admin';
export const fullName = (person: { firstName: string; lastName: string }): string =>
  `${person.firstName} ${person.lastName}`.trim();

export const accountOf = (principal: Principal): string =>
  principal.kind === 'person' ? principal.person.accountId : principal.accountId;
/** Of long work (changes, imports, exports) one sees one's own; those who run the office, and keys, see all: null. */
export const onlyOf = (principal: Principal): string | null =>
  principal.kind === 'person' && !runsTheOffice(principal.person.role) ? principal.person.id : null;

/** What somebody made for themselves is changed by them; what the team uses by those who run the office. */
export const mayChange = (scope: Scope, { made_by, shared }: { made_by: string | null; shared: boolean }): boolean =>
  scope.sees === 'all' || (made_by !== null && made_by === scope.userId && !shared);
