/** A contact as it goes out of the house: the headings are such that bringing the file in again changes nothing. */
import { CHANNELS, CHANNEL_KEYS, type Channel, type ImportantDate } from '../contacts';
import type { FieldInput } from '../fields';
import type { FieldDef } from '../segments';

/** A contact as an export writes one. */
export interface OutgoingPerson {
  id: string;
  household: string | null;
  first_name: string;
  last_name: string;
  company: string | null;
  emails: string[];
  phones: { number: string; extension: string | null }[];
  street: string | null;
  city: string | null;
  region: string | null;
  postal_code: string | null;
  country: string | null;
  roles: string[];
  stage: string;
  horizon: string | null;
  tags: string[];
  wants: Record<string, unknown>;
  source: string | null;
  agent: string | null;
  dates: ImportantDate[];
  permissions: Partial<Record<Channel, 'granted' | 'withdrawn'>>;
  fields: Record<string, FieldInput>;
  added: string;
}

const permissionState = (person: OutgoingPerson, channel: Channel): string =>
  person.permissions[channel] === 'granted' ? 'yes' : person.permissions[channel] === 'withdrawn' ? 'no' : '';
const wanted = (person: OutgoingPerson, key: string): string => {
  const value = person.wants[key];
  return Array.isArray(value) ? value.join('; ') : typeof value === 'number' || typeof value === 'string' ? String(value) : '';
};
const dated = (person: OutgoingPerson, kind: ImportantDate['kind']): string =>
  person.dates.find((date) => date.kind === kind)?.on ?? '';
const shown = (value: FieldInput | undefined): string =>
  value === null || value === undefined
    ? ''
    : Array.isArray(value)
      ? value.join('; ')
      : value === true
        ? 'yes'
        : value === false
          ? 'no'
          : String(value);

type Column = [heading: string, cell: (person: OutgoingPerson) => string];
const COLUMNS: Column[] = [
  ['First name', (person) => person.first_name],
  ['Last name', (person) => person.last_name],
  ['Company', (person) => person.company ?? ''],
  ['E-mails', (person) => person.emails.join('; ')],
  [
    'Phones',
    (person) => person.phones.map(({ number, extension }) => `${number}${extension ? ` x${extension}` : ''}`).join('; '),
  ],
  ['Street', (person) => person.street ?? ''],
  ['Town', (person) => person.city ?? ''],
  ['State', (person) => person.region ?? ''],
  ['Postal code', (person) => person.postal_code ?? ''],
  ['Country', (person) => person.country ?? ''],
  ['Roles', (person) => person.roles.join('; ')],
  ['Stage', (person) => person.stage],
  ['Horizon', (person) => person.horizon ?? ''],
  ['Tags', (person) => person.tags.join('; ')],
  ['Wants: price from', (person) => wanted(person, 'price_min')],
  ['Wants: price to', (person) => wanted(person, 'price_max')],
  ['Wants: bedrooms', (person) => wanted(person, 'bedrooms')],
  ['Wants: bathrooms', (person) => wanted(person, 'bathrooms')],
  ['Wants: areas', (person) => wanted(person, 'areas')],
  ['Wants: property kinds', (person) => wanted(person, 'kinds')],
  ['Wants: features', (person) => wanted(person, 'features')],
  ['Wants: in words', (person) => wanted(person, 'words')],
  ['Lead source', (person) => person.source ?? ''],
  ['Agent', (person) => person.agent ?? ''],
  ['Birthday', (person) => dated(person, 'birthday')],
  [`Wedding anniversary`, (person) => dated(person, 'wedding')],
  ['Closing date', (person) => dated(person, 'closing')],
  ...CHANNEL_KEYS.map((channel): Column => [`OK to ${CHANNELS[channel].toDo}`, (person) => permissionState(person, channel)]),
  ['Added on', (person) => person.added],
];

export const outgoingHeadings = (fields: readonly FieldDef[]): string[] => [
  ...COLUMNS.map(([heading]) => heading),
  ...fields.map(({ name }) => name),
];
export const outgoingCells = (person: OutgoingPerson, fields: readonly FieldDef[]): string[] => [
  ...COLUMNS.map(([, cell]) => cell(person)),
  ...fields.map(({ id }) => shown(person.fields[id])),
];
