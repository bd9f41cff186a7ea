'use client';
/** The columns of the grid: those that CONTACT_COLUMNS shows, and how each kind of cell looks. */
import type { ReactNode } from 'react';
import { columnsFor, type Cell } from '@/core/columns';
import type { FieldDef } from '@/core/segments';
import { TagChip } from '../changes';
import { Strokes, when, useFormat, useNow, useZone } from '../primitives';
import { Ago, Row, Text } from '../kit';
import type { Tag } from '../segments';
import type { Contact } from './types';

export interface ColumnDef {
  key: string;
  name: string;
  width: number;
  /** The server sorts by it; the first click goes up or down. */
  sort?: 'up' | 'down';
  /** Numbers stand right. */
  numeric?: boolean;
  cell: (contact: Contact) => Cell;
}

const none = <Text tone="soft">–</Text>;
const DAY = 86_400_000;

function Due({ at }: { at: string }) {
  const now = useNow();
  const zone = useZone();
  const format = useFormat();
  const due = new Date(at);
  if (due >= now) return <>{when(due, now, zone, format)}</>;
  const days = Math.floor((now.getTime() - due.getTime()) / DAY);
  return <Text tone="late">{days ? `${days} ${days === 1 ? 'day' : 'days'} overdue` : 'overdue today'}</Text>;
}

function Day({ at }: { at: string }) {
  const zone = useZone();
  return <>{useFormat().longDay(new Date(at), zone)}</>;
}
const Figures = ({ of }: { of: number }) => <>{useFormat().number(of)}</>;
const Money = ({ dollars }: { dollars: number }) => <>{useFormat().money(dollars)}</>;
const PlainDay = ({ on }: { on: string }) => <>{useFormat().plainDay(on)}</>;

const CELLS: { [Kind in Cell['is']]: (cell: Extract<Cell, { is: Kind }>, tags: Map<string, Tag>) => ReactNode } = {
  text: ({ text }) => (typeof text === 'number' ? <Figures of={text} /> : (text ?? none)),
  money: ({ dollars }) => <Money dollars={dollars} />,
  name: ({ text }) => <b dir="auto">{text}</b>,
  secret: ({ text }) => (text ? <Text secret>{text}</Text> : none),
  ago: ({ at }) => (at ? <Ago at={at} /> : <Text tone="soft">never</Text>),
  due: ({ at }) => (at ? <Due at={at} /> : none),
  day: ({ at }) => <Day at={at} />,
  date: ({ on }) => (on ? <PlainDay on={on} /> : none),
  tags: ({ ids }, tags) => (
    <Row gap={1} wrap={false}>
      {ids.map((id) => (
        <TagChip key={id} name={id} color={tags.get(id)?.color} />
      ))}
    </Row>
  ),
  horizon: ({ horizon }) => <Strokes horizon={horizon} />,
};
/** One cell as it looks. */
export const drawCell = <Kind extends Cell['is']>(cell: Extract<Cell, { is: Kind }>, tags: Map<string, Tag>): ReactNode =>
  CELLS[cell.is](cell, tags);

export const COLUMNS: ColumnDef[] = columnsFor('grid').map(([key, { name, sort, grid }]) => ({ key, name, sort, ...grid }));

/** The account's own fields as columns. */
export const fieldColumn = (field: FieldDef): ColumnDef => ({
  key: `field:${field.id}`,
  name: field.name,
  width: 130,
  numeric: field.kind === 'number' || field.kind === 'money',
  cell: ({ fields }) => {
    const value = fields[field.id] ?? '';
    if (typeof value === 'number') return field.kind === 'money' ? { is: 'money', dollars: value } : { is: 'text', text: value };
    if (typeof value === 'boolean') return { is: 'text', text: value ? 'yes' : 'no' };
    if (Array.isArray(value)) return { is: 'text', text: value.join(', ') || null };
    return field.kind === 'date' || field.kind === 'yearly'
      ? { is: 'date', on: value || null }
      : { is: 'text', text: value || null };
  },
});

export const FIRST_COLUMNS = ['name', 'stage', 'horizon', 'wants', 'last_spoke', 'attempts', 'next_touch', 'tags', 'agent'];
export const NARROW_COLUMNS = ['name', 'stage', 'horizon', 'next_touch'];
/** On a phone nothing is scrolled sideways. */
export const PHONE_COLUMNS = ['name', 'stage', 'horizon'];
