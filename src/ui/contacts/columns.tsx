'use client';
/** The columns of the grid: what each shows, how wide it begins, and by what the server sorts it. */
import type { ReactNode } from 'react';
import { showPhone } from '@/core/capture';
import { DATE_NAMES } from '@/core/contacts';
import { howLong } from '@/core/shared';
import type { FieldDef } from '@/core/segments';
import { TagChip } from '../changes';
import { Ago, Strokes, when } from '../primitives';
import type { Tag } from '../segments';
import { nameOf, type Contact } from './types';

export interface ColumnLayout {
  now: Date;
  zone: string;
  tags: Map<string, Tag>;
}
export interface ColumnDef {
  key: string;
  name: string;
  width: number;
  /** The server's word for sorting by it. */
  sort?: string;
  /** Numbers stand right. */
  numeric?: boolean;
  render: (contact: Contact, layout: ColumnLayout) => ReactNode;
}

const none = <span className="soft">–</span>;
const DAY = 86_400_000;

function NextTouch({ contact, layout: { now, zone } }: { contact: Contact; layout: ColumnLayout }) {
  if (!contact.next_touch) return none;
  const next = new Date(contact.next_touch.at);
  if (next >= now) return <>{when(next, now, zone)}</>;
  return <span className="late">overdue {Math.floor((now.getTime() - next.getTime()) / DAY) || '<1'} d</span>;
}

/** `3 bd, to 480,000`. */
export function wantsLine(wants: Record<string, unknown>): string {
  const beds = wants.bedrooms ? `${String(wants.bedrooms)} bd` : null;
  const price = typeof wants.price_max === 'number' ? `to ${wants.price_max.toLocaleString('en-US')}` : null;
  return [beds, price].filter(Boolean).join(', ');
}

const day = (at: string): string => new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
const yearly = (contact: Contact, kind: string): ReactNode => {
  const date = contact.dates.find((one) => one.kind === kind);
  return date ? date.on.replace(/^--?/, '') : none;
};

export const COLUMNS: ColumnDef[] = [
  { key: 'name', name: 'Name', width: 190, sort: 'name', render: (contact) => <b dir="auto">{nameOf(contact)}</b> },
  { key: 'stage', name: 'Stage', width: 106, sort: 'stage', render: (contact) => contact.stage.name },
  { key: 'horizon', name: 'Horizon', width: 86, render: (contact) => <Strokes horizon={contact.horizon} /> },
  { key: 'roles', name: 'Roles', width: 120, render: (contact) => contact.roles.join(', ') || none },
  { key: 'wants', name: 'Wants', width: 150, render: (contact) => wantsLine(contact.wants) || none },
  {
    key: 'last_spoke',
    name: 'Last spoke',
    width: 112,
    sort: 'last_spoke',
    render: (contact) =>
      contact.calls.last_reached_at ? <Ago at={contact.calls.last_reached_at} /> : <span className="soft">never</span>,
  },
  { key: 'attempts', name: 'Tries', width: 70, sort: 'attempts', numeric: true, render: (contact) => contact.calls.attempts },
  {
    key: 'next_touch',
    name: 'Next touch',
    width: 124,
    sort: 'next_touch',
    render: (contact, layout) => <NextTouch contact={contact} layout={layout} />,
  },
  {
    key: 'tags',
    name: 'Tags',
    width: 210,
    render: (contact, { tags }) => contact.tags.map((tag) => <TagChip key={tag} name={tag} color={tags.get(tag)?.color} />),
  },
  {
    key: 'agent',
    name: 'Agent',
    width: 90,
    render: (contact) => <span className="soft">{contact.owner?.name.split(' ')[0] ?? '–'}</span>,
  },
  { key: 'town', name: 'Town', width: 120, sort: 'town', render: (contact) => contact.place.city ?? none },
  { key: 'postal_code', name: 'Postal code', width: 96, render: (contact) => contact.place.postal_code ?? none },
  {
    key: 'street',
    name: 'Street',
    width: 170,
    render: (contact) => <span className="secret">{contact.place.street ?? '–'}</span>,
  },
  {
    key: 'phone',
    name: 'Phone',
    width: 136,
    render: (contact) => (contact.phones[0] ? <span className="secret">{showPhone(contact.phones[0])}</span> : none),
  },
  {
    key: 'email',
    name: 'Email',
    width: 220,
    render: (contact) => (contact.emails[0] ? <span className="secret">{contact.emails[0]}</span> : none),
  },
  { key: 'source', name: 'Lead source', width: 130, render: (contact) => contact.source ?? none },
  { key: 'company', name: 'Company', width: 150, render: (contact) => contact.company ?? none },
  { key: 'created', name: 'Added', width: 112, sort: 'created', render: (contact) => day(contact.created_at) },
  {
    key: 'last_touch',
    name: 'Last touch',
    width: 112,
    sort: 'last_touch',
    render: (contact) => (contact.last_touch_at ? <Ago at={contact.last_touch_at} /> : <span className="soft">never</span>),
  },
  {
    key: 'talk',
    name: 'Talk',
    width: 90,
    numeric: true,
    render: (contact) => (contact.calls.talk_seconds ? howLong(contact.calls.talk_seconds * 1000) : none),
  },
  { key: 'birthday', name: 'Birthday', width: 104, render: (contact) => yearly(contact, 'birthday') },
  {
    key: 'closing',
    name: DATE_NAMES.closing.replace(/^./, (letter) => letter.toUpperCase()),
    width: 130,
    render: (contact) => yearly(contact, 'closing'),
  },
];

/** The account's own fields as columns. */
export const fieldColumn = (field: FieldDef): ColumnDef => ({
  key: `field:${field.id}`,
  name: field.name,
  width: 130,
  numeric: field.kind === 'number' || field.kind === 'money',
  render: (contact) => {
    const value = contact.fields[field.id];
    if (value === null || value === undefined || value === '') return none;
    if (typeof value === 'boolean') return value ? 'yes' : 'no';
    if (typeof value === 'number') return value.toLocaleString('en-US');
    return Array.isArray(value) ? value.join(', ') : value;
  },
});

export const FIRST_COLUMNS = ['name', 'stage', 'horizon', 'wants', 'last_spoke', 'attempts', 'next_touch', 'tags', 'agent'];
export const NARROW_COLUMNS = ['name', 'stage', 'horizon', 'next_touch'];
