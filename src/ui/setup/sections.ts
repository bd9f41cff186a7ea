/** The sections of Setup: each has an address of its own, and says what one finds in it, for the search. */
import { SETTING_KEYS, SETTINGS, type Setting } from '@/core/accounts';

/** A thing that one looks for, and the part of its section that holds it. */
export interface SetupPlace {
  name: string;
  /** The heading it stands under, which its address leads to. */
  part: string;
}
export interface SetupSection {
  key: string;
  name: string;
  places: SetupPlace[];
}

const guardrails: SetupPlace[] = SETTING_KEYS.map((key): Setting => SETTINGS[key])
  .filter(({ area }) => area === 'guardrails')
  .map(({ label, name }) => ({ name: label ?? name, part: 'Send times and limits' }));

export const SETUP_SECTIONS = [
  {
    key: 'start',
    name: 'Start',
    places: [
      { name: 'First steps', part: 'First steps' },
      { name: 'What isn’t connected yet', part: 'Not working yet' },
    ],
  },
  {
    key: 'office',
    name: 'Office and users',
    places: [
      { name: 'Users, roles', part: 'Users' },
      { name: 'Roles of your own, rights', part: 'Roles' },
      { name: 'Teams, team leads', part: 'Teams' },
      { name: 'Invite people', part: 'Users' },
      { name: 'Transfer ownership', part: 'Users' },
      { name: 'Offices', part: 'Offices' },
      { name: 'Two-step login, who must use it', part: 'Two-step login' },
      { name: 'States you’re licensed in', part: 'States' },
      { name: 'Deactivate someone, hand off their contacts', part: 'Users' },
      { name: 'Language, date and number formats', part: 'Formats' },
    ],
  },
  {
    key: 'stages',
    name: 'Stages and horizons',
    places: [
      { name: 'Stages', part: 'Stages' },
      { name: 'Horizons, check-in rhythm', part: 'Horizons' },
    ],
  },
  {
    key: 'tags',
    name: 'Tags and fields',
    places: [
      { name: 'Tags, their colors, who can create them', part: 'Tags' },
      { name: 'Tag inquiries with their city and ZIP', part: 'Tags' },
      { name: 'Custom fields', part: 'Custom fields' },
    ],
  },
  {
    key: 'sources',
    name: 'Lead sources and doors',
    places: [
      { name: 'Doors, lead mailboxes', part: 'Doors' },
      { name: 'Senders of lead emails', part: 'Senders' },
      { name: 'Lead sources, merge two', part: 'Sources' },
    ],
  },
  { key: 'guardrails', name: 'Guardrails', places: guardrails },
  {
    key: 'templates',
    name: 'Templates and brand',
    places: [
      { name: 'Templates of texts, emails, letters and scripts', part: 'Templates' },
      { name: 'Public pages', part: 'Public pages' },
    ],
  },
  {
    key: 'data',
    name: 'Data',
    places: [
      { name: 'Import contacts', part: 'Import and export' },
      { name: 'Exports', part: 'Import and export' },
      { name: 'Find duplicates', part: 'Import and export' },
      { name: 'Change history, undo', part: 'Change history' },
    ],
  },
  {
    key: 'connections',
    name: 'Connections',
    places: [{ name: 'Mail server, SMTP', part: 'Mail server' }],
  },
  {
    key: 'keys',
    name: 'Keys and webhooks',
    places: [
      { name: 'API keys', part: 'API keys' },
      { name: 'Webhooks, their log', part: 'Webhooks' },
      { name: 'Messages that can’t be sent', part: 'Messages that can’t be sent' },
    ],
  },
  { key: 'audit', name: 'Audit', places: [{ name: 'Who changed what', part: 'Audit' }] },
] as const satisfies readonly SetupSection[];
export type SetupSectionKey = (typeof SETUP_SECTIONS)[number]['key'];
export const isSetupSection = (key: string): key is SetupSectionKey => SETUP_SECTIONS.some((section) => section.key === key);

/** The address of a part, as its section's page leads to it. */
export const partId = (part: string): string => part.toLowerCase().replace(/[^a-z]+/g, '-');
