/** How the demo brokerage keeps its contacts in order: tag colours, fields of its own, important dates, households, and the segments on its shelves. */
import type { Tx } from '@/server/shared';
import { seeded } from '@/core/shared';
import type { Tree } from '@/core/segments';
import { COLLEAGUES, START } from './settings';
import type { WorldContact } from './contact';

const COLORS: Record<string, string> = {
  'rowing club': 'teal',
  choir: 'violet',
  garden: 'leaf',
  'first home': 'copper',
  relocating: 'sky',
  'open house': 'rose',
};

/** The segments of the team; tags by their names. */
const segments = (tag: (name: string) => string): { name: string; tree: Tree; shelf: boolean }[] => [
  {
    name: 'Not attempted',
    tree: {
      all: [
        { on: 'stage', how: 'any', of: ['new', 'reaching'] },
        { on: 'attempts', how: 'between', to: 0 },
      ],
    },
    shelf: true,
  },
  { name: 'Hot', tree: { all: [{ on: 'horizon', how: 'any', of: ['hot'] }] }, shelf: true },
  {
    name: 'Attempted, not reached',
    tree: {
      all: [
        { on: 'attempts', how: 'between', from: 1 },
        { on: 'reached', how: 'between', to: 0 },
      ],
    },
    shelf: true,
  },
  { name: 'Past clients', tree: { all: [{ on: 'stage', how: 'any', of: ['past_client'] }] }, shelf: true },
  { name: 'Rowing club', tree: { all: [{ on: 'tag', how: 'any', of: [tag('rowing club')] }] }, shelf: true },
  { name: 'Birthdays soon', tree: { all: [{ on: 'birthday', how: 'coming', n: 14, unit: 'days' }] }, shelf: false },
  {
    name: 'Buyers gone quiet',
    tree: {
      all: [
        { on: 'role', how: 'any', of: ['buyer'] },
        { on: 'town', how: 'any', of: ['Saltmarsh', 'Petrel Point'] },
        { on: 'last_conversation', how: 'not_within', n: 30, unit: 'days' },
        { on: 'wants_bedrooms', how: 'between', from: 3 },
      ],
    },
    shelf: false,
  },
];

export async function writeOrder(tx: Tx, contacts: WorldContact[]): Promise<void> {
  for (const [name, color] of Object.entries(COLORS)) await tx.run('update tags set color = $2 where name = $1', [name, color]);
  await tx.run('update tags set made_by = 1, made_at = $1', [START]);
  const known = await tx.rows<{ id: string; name: string }>('select id, name from tags');
  const tag = (name: string) => known.find((one) => one.name === name)?.id ?? '0';
  for (const { name, tree, shelf } of segments(tag)) {
    const row = await tx.first<{ id: string }>(
      'insert into segments (account_id, made_by, team, name, tree, made_at, changed_at) values (1, 1, true, $1, $2::jsonb, $3, $3) returning id',
      [name, JSON.stringify(tree), START],
    );
    if (!shelf) continue;
    for (const { id } of COLLEAGUES)
      await tx.run(
        'insert into shelves (user_id, segment_id, position) select $1, $2, count(*) from shelves where user_id = $1',
        [id, row!.id],
      );
  }
  await tx.run(
    `insert into fields (account_id, name, kind, choices, position, made_at) values (1, 'Financing', 'choice', '{cash,pre-approved,talking to a lender,not yet}', 0, $1), (1, 'Lease ends', 'date', '{}', 1, $1)`,
    [START],
  );
  await writeDates(tx, contacts);
  await writeHouseholds(tx, contacts);
}

/** Birthdays of about a third, closing days of past clients, lease ends of some renters; drawn apart, so that nothing else of the world moves. */
async function writeDates(tx: Tx, contacts: WorldContact[]): Promise<void> {
  const random = seeded('dates of the county');
  const dates: object[] = [];
  const values: object[] = [];
  const kinds = ['cash', 'pre-approved', 'talking to a lender', 'not yet'];
  for (const contact of contacts) {
    const monthDay = () => random.int(1, 12) * 100 + random.int(1, 28);
    if (random.chance(contact.kind === 'sphere' ? 0.7 : 0.25))
      dates.push({
        contact_id: contact.id,
        kind: 'birthday',
        year: random.chance(0.6) ? random.int(1944, 2003) : null,
        month_day: monthDay(),
      });
    if (contact.stage === 'past_client')
      dates.push({ contact_id: contact.id, kind: 'closing', year: random.int(2016, 2025), month_day: monthDay() });
    if (contact.roles.includes('buyer') && random.chance(0.3))
      values.push({ field_id: 1, contact_id: contact.id, words: random.pick(kinds), day: null });
    if (contact.roles.includes('renter') && random.chance(0.4))
      values.push({
        field_id: 2,
        contact_id: contact.id,
        words: null,
        day: `2027-${String(random.int(1, 12)).padStart(2, '0')}-01`,
      });
  }
  await tx.run(
    `insert into contact_dates (contact_id, kind, year, month_day) select contact_id, kind, year, month_day from jsonb_to_recordset($1::jsonb) as d (contact_id bigint, kind text, year int, month_day int)`,
    [JSON.stringify(dates)],
  );
  await tx.run(
    `insert into field_values (field_id, contact_id, words, day) select field_id, contact_id, words, day from jsonb_to_recordset($1::jsonb) as v (field_id bigint, contact_id bigint, words text, day date)`,
    [JSON.stringify(values)],
  );
}

/** People of one last name at one street share a household. */
async function writeHouseholds(tx: Tx, contacts: WorldContact[]): Promise<void> {
  const random = seeded('households of the county');
  const settled = contacts.filter((contact) => contact.kind === 'sphere' && contact.street);
  let made = 0;
  for (let at = 0; at + 1 < settled.length && made < 60; at += random.int(5, 9)) {
    const [one, other] = [settled[at]!, settled[at + 1]!];
    const row = await tx.first<{ id: string }>('insert into households (account_id, made_at) values (1, $1) returning id', [
      START,
    ]);
    await tx.run('update contacts set household_id = $1 where id = any($2::bigint[])', [row!.id, [one.id, other.id]]);
    await tx.run(
      'update contacts o set last_name = c.last_name, street = c.street, city = c.city, postal_code = c.postal_code from contacts c where c.id = $1 and o.id = $2',
      [one.id, other.id],
    );
    made += 1;
  }
}
