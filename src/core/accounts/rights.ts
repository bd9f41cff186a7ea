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

/** Beside the scopes of keys: running the office (the team's templates, campaigns, broadcasts, doors with their secrets, settings). */
export type Action = KeyScope | 'office:run';

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
    'office:run': no,
  },
};
