/** Contacts drawn at random, with everything that a segment may ask about, written straight into the tables. */
import { seeded } from '@/core/shared';
import type { FieldDef } from '@/core/segments';
import type { TestApp } from './test-app';

const ago = (at: Date, days: number) => new Date(at.getTime() - days * 86_400_000);

/** Draws `count` contacts, the same for the same account. @returns their ids in order, and the fields that were made */
export async function draw(app: TestApp, count: number, at: Date): Promise<{ ids: string[]; fields: FieldDef[] }> {
  const random = seeded('segments').next;
  const { db } = app;
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const maybe = <T>(value: () => T, chance = 0.5): T | null => (random() < chance ? value() : null);
  const some = <T>(list: readonly T[]): T[] => list.filter(() => random() < 0.35);
  const fields: FieldDef[] = [];
  for (const [position, [name, kind]] of (
    [
      ['Boat', 'text'],
      ['Feet', 'number'],
      ['Budget', 'money'],
      ['Lease ends', 'date'],
      ['Dog’s birthday', 'yearly'],
      ['Colour', 'choice'],
      ['Colours', 'choices'],
      ['Has a key', 'flag'],
      ['Neighbour', 'contact'],
    ] as const
  ).entries()) {
    const choices = kind.startsWith('choice') ? ['red', 'blue', 'green'] : [];
    const row = await db.first<{ id: string }>(
      'insert into fields (account_id, name, kind, choices, position, made_at) values (1, $1, $2, $3, $4, $5) returning id',
      [name, kind, choices, position, at],
    );
    fields.push({ id: row!.id, name, kind, choices });
  }
  for (const name of ['rowing club', 'choir', 'garden'])
    await db.run('insert into tags (account_id, name) values (1, $1)', [name]);
  const household = (await db.first<{ id: string }>('insert into households (account_id, made_at) values (1, $1) returning id', [
    at,
  ]))!.id;
  const users = Object.values(app.users);
  const ids: string[] = [];
  const day = () => pick([0, 0.01, 1, 2, 3, 7, 13.9, 14, 29, 41, 100, 365]);
  for (let n = 0; n < count; n += 1) {
    const wants =
      random() < 0.6
        ? {
            price_max: pick([300_000, 450_000]),
            price_min: pick([1, 200_000]),
            bedrooms: pick([1, 2, 3, 5]),
            bathrooms: pick([1, 2]),
            areas: some(['Saltmarsh', 'Petrel Point']),
            kinds: some(['house']),
            features: some(['pool', 'office']),
            words: pick(['', 'A red door']),
          }
        : {};
    const owner = maybe(() => pick(users), 0.8);
    const row = await db.first<{ id: string }>(
      `insert into contacts (account_id, owner_id, office_id, first_name, last_name, company, stage, stage_since, horizon, roles, source, time_zone, street, city, postal_code, wants, do_not_contact, hand_raised_at, next_touch_at, next_touch_kind, household_id, created_at, updated_at, last_touch_at)
       values (1, $1, $2, $3, $4, $5, $6, $7, $8, $9, $10, 'America/Los_Angeles', $11, $12, $13, $14::jsonb, $15, $16, $17, $18, $19, $20, $21, $22) returning id`,
      [
        owner?.id ?? null,
        owner?.officeId ?? null,
        pick(['Ann', 'Oda', 'Bram', 'Zoë', '']),
        pick(['Brandt', 'Anders', 'Heron', '50%_off']),
        maybe(() => pick(['Harbour Works', 'Anchor'])),
        pick(['new', 'reaching', 'talking', 'client', 'archived']),
        ago(at, day()),
        maybe(() => pick(['hot', 'warm', 'someday'])),
        some(['buyer', 'seller', 'renter']),
        maybe(() => pick(['portal', 'Portal', 'red sign'])),
        maybe(() => pick(['12 Heron Lane', '3 Sluice End'])),
        maybe(() => pick(['Saltmarsh', 'Petrel Point', 'saltmarsh'])),
        maybe(() => pick(['98741', '98751'])),
        JSON.stringify(wants),
        random() < 0.2,
        maybe(() => ago(at, day()), 0.2),
        maybe(() => ago(at, pick([-100, -7, -1, -0.2, 0, 1, 8]))),
        'rhythm',
        random() < 0.2 ? household : null,
        ago(at, day()),
        at,
        ago(at, day()),
      ],
    );
    const id = row!.id;
    ids.push(id);
    const date = () => maybe(() => ago(at, day()));
    const number = () => pick([0, 0, 1, 2, 3, 5]);
    await db.run(
      `insert into contact_facts (contact_id, inquiries, first_inquiry_at, last_inquiry_at, attempts, first_attempt_at, last_attempt_at, reached, last_reached_at, talk_seconds, conversations, last_conversation_at, texts_out, texts_in, emails_out, emails_in, letters_out, last_in_at, last_touch_at, calls_in, last_call_in_at, emails_opened, last_opened_at, visits, last_visit_at, saved_homes, last_saved_at)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18, $19, $20, $21, $22, $23, $24, $25, $26, $27)`,
      [
        id,
        number(),
        date(),
        date(),
        number(),
        date(),
        date(),
        number(),
        date(),
        pick([0, 59, 60, 61, 180, 3_600]),
        number(),
        date(),
        number(),
        number(),
        number(),
        number(),
        number(),
        date(),
        date(),
        number(),
        date(),
        number(),
        date(),
        number(),
        date(),
        number(),
        date(),
      ],
    );
    for (const tag of some([1, 2, 3])) await db.run('insert into contact_tags (contact_id, tag_id) values ($1, $2)', [id, tag]);
    for (const kind of some(['phone', 'email'] as const)) {
      const value = kind === 'phone' ? `+1564555${1000 + n}` : `person${n}@x.example`;
      await db.run('insert into contact_points (account_id, contact_id, kind, value) values (1, $1, $2, $3)', [id, kind, value]);
      for (const channel of kind === 'phone' ? some(['call', 'text']) : some(['email']))
        await db.run(
          `insert into permissions (account_id, channel, address, state, how, at) values (1, $1, $2, $3, 'said so', $4)`,
          [channel, value, pick(['granted', 'withdrawn']), at],
        );
    }
    if (random() < 0.3)
      await db.run(
        `insert into permissions (account_id, channel, address, state, how, at) values (1, 'letter', 'person:' || $1::bigint, $2, 'said so', $3)`,
        [id, pick(['granted', 'withdrawn']), at],
      );
    for (const door of some([1, 2]))
      await db.run(
        `insert into inquiries (account_id, door_id, contact_id, raw, parsed, matched, owner_id, arrived_at) values (1, $1, $2, '{}', '{}', false, $3, $4)`,
        [door, id, users[0]!.id, at],
      );
    if (random() < 0.4)
      await db.run(
        `insert into enrollments (account_id, campaign_id, version_id, contact_id, state, started_at) values (1, 1, 1, $1, $2, $3)`,
        [id, pick(['active', 'stopped']), at],
      );
    for (const kind of some(['birthday', 'closing', 'wedding', 'other']))
      await db.run('insert into contact_dates (contact_id, kind, label, year, month_day) values ($1, $2, $2, $3, $4)', [
        id,
        kind,
        maybe(() => 1980),
        pick([227, 228, 229, 301, 313, 1231]),
      ]);
    for (const field of some(fields)) {
      const put = (ordinal: number, column: string, value: unknown) =>
        db.run(`insert into field_values (field_id, contact_id, ordinal, ${column}) values ($1, $2, $3, $4)`, [
          field.id,
          id,
          ordinal,
          value,
        ]);
      if (field.kind === 'choices')
        for (const [ordinal, choice] of some(field.choices).entries()) await put(ordinal, 'words', choice);
      else if (field.kind === 'text' || field.kind === 'choice') await put(0, 'words', pick(['red', 'blue', 'Heron']));
      else if (field.kind === 'number' || field.kind === 'money') await put(0, 'number', pick([0, 1, 2.5, 30]));
      else if (field.kind === 'flag') await put(0, 'number', pick([0, 1]));
      else if (field.kind === 'date') await put(0, 'day', pick(['2026-02-27', '2026-03-08', '2025-11-01']));
      else if (field.kind === 'yearly') await put(0, 'month_day', pick([227, 229, 301]));
      else if (ids.length > 1) await put(0, 'linked_id', ids[0]);
    }
  }
  return { ids, fields };
}
