/**
 * What each role may do: one table, exhaustive by type. Whose contacts somebody sees is another question (`scopeFor`); that a right is
 * held over a contact is asked where the effect happens, at the time it happens.
 */
export const ROLES = ['owner', 'admin', 'agent', 'caller', 'lender'] as const;
/** What somebody is in the brokerage; it decides what they see and may do. */
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
/** A right that an API key may carry. */
export type KeyScope = (typeof KEY_SCOPES)[number];

/** Beside the scopes of keys: what may be done to many contacts at once, and running the office (the team's templates, campaigns, doors with their secrets, settings). */
export type Action = KeyScope | 'contacts:export' | 'contacts:assign' | 'contacts:delete' | 'broadcasts:send' | 'office:run';

/** What a role of a brokerage's own may have or not, in words. Seeing the contacts that are theirs belongs to each. */
export const CHOSEN_RIGHTS = {
  'inquiries:write': 'Add leads',
  'contacts:write': 'Change contacts, call and write to them',
  'broadcasts:send': 'Send broadcasts',
  'contacts:export': 'Export contacts',
  'contacts:assign': 'Assign contacts to other agents',
  'contacts:delete': 'Delete contacts',
  'routing:read': 'See routing and rosters',
  'results:read': 'See Results',
} as const satisfies Partial<Record<Action, string>>;
/** A right that a role of a brokerage's own may have. */
export type ChosenRight = keyof typeof CHOSEN_RIGHTS;
export const CHOSEN_RIGHT_KEYS = Object.keys(CHOSEN_RIGHTS) as ChosenRight[];
/** What such a role begins as; it decides whose contacts are seen. */
export const CUSTOM_BASES = ['agent', 'caller'] as const;

const yes = true;
const no = false;
export const RIGHTS: Record<Role, Record<Action, boolean>> = {
  owner: {
    'inquiries:write': yes,
    'contacts:read': yes,
    'contacts:write': yes,
    'results:read': yes,
    'routing:read': yes,
    'routing:write': yes,
    'setup:write': yes,
    simulation: yes,
    'contacts:export': yes,
    'contacts:assign': yes,
    'contacts:delete': yes,
    'broadcasts:send': yes,
    'office:run': yes,
  },
  admin: {
    'inquiries:write': yes,
    'contacts:read': yes,
    'contacts:write': yes,
    'results:read': yes,
    'routing:read': yes,
    'routing:write': yes,
    'setup:write': yes,
    simulation: yes,
    'contacts:export': yes,
    'contacts:assign': yes,
    'contacts:delete': yes,
    'broadcasts:send': yes,
    'office:run': yes,
  },
  agent: {
    'inquiries:write': yes,
    'contacts:read': yes,
    'contacts:write': yes,
    'results:read': yes,
    'routing:read': yes,
    'routing:write': no,
    'setup:write': no,
    simulation: yes,
    'contacts:export': yes,
    'contacts:assign': no,
    'contacts:delete': no,
    'broadcasts:send': yes,
    'office:run': no,
  },
  caller: {
    'inquiries:write': yes,
    'contacts:read': yes,
    'contacts:write': yes,
    'results:read': yes,
    'routing:read': yes,
    'routing:write': no,
    'setup:write': no,
    simulation: yes,
    'contacts:export': yes,
    'contacts:assign': no,
    'contacts:delete': no,
    'broadcasts:send': yes,
    'office:run': no,
  },
  lender: {
    'inquiries:write': no,
    'contacts:read': yes,
    'contacts:write': no,
    'results:read': no,
    'routing:read': no,
    'routing:write': no,
    'setup:write': no,
    simulation: no,
    'contacts:export': no,
    'contacts:assign': no,
    'contacts:delete': no,
    'broadcasts:send': no,
    'office:run': no,
  },
};
