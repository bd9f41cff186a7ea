/** Duplicates: found with reasons, reviewed, merged with everything, the stricter permission winning; taken apart again; households. */
import { storedNames } from '../../migrations/0032_stored_names';
import { appForEach } from '../harness/each';

const app = appForEach();
const place = { city: 'Saltmarsh', postal_code: '98741', street: '12 Heron Lane' };

const snapshot = () =>
  app().db.rows(
    `select c.id, c.first_name, c.last_name, c.stage, c.horizon, c.roles, c.owner_id, c.street, c.household_id, c.do_not_contact, c.created_at, c.deleted_at is null as here, c.next_touch_at, to_jsonb(f) as facts,
       (select array_agg(tag_id order by tag_id) from contact_tags where contact_id = c.id) as tags, (select array_agg(value order by value) from contact_points where contact_id = c.id and active) as points,
       (select array_agg(state order by id) from enrollments where contact_id = c.id) as enrollments, (select count(*)::int from inquiries where contact_id = c.id) as inquiries,
       (select jsonb_agg(jsonb_build_array(channel, state) order by channel, address) from permissions p where p.address = 'person:' || c.id or p.address in (select value from contact_points cp where cp.contact_id = c.id)) as said
     from contacts c join contact_facts f on f.contact_id = c.id order by c.id`,
  );

async function pair() {
  const one = await app().arrives({
    first_name: 'Katharina',
    last_name: 'Brandvold',
    emails: ['kb@x.example'],
    phones: ['564-555-0101'],
    permissions: { email: true, text: true },
    tags: ['choir'],
    place,
  });
  const other = await app().arrives({
    first_name: 'Katharina',
    last_name: 'Brandvolt',
    emails: ['kathi@y.example'],
    phones: ['564-555-0102'],
    permissions: { email: false, text: true },
    tags: ['garden'],
    roles: ['seller'],
    place,
  });
  return [one.contact.id, other.contact.id] as const;
}
const look = async () => {
  await app().m.duplicates.requestDuplicateScan(app().as('Ada'));
  await app().m.duplicates.findDuplicates('1');
  return app().m.duplicates.listPairs(app().scope, 20);
};

test('similar names in one place are a pair, with the reasons; strangers and couples are none', async () => {
  const [one, other] = await pair();
  await app().arrives({ first_name: 'Bram', last_name: 'Brandvold', emails: ['bram@x.example'], place });
  await app().arrives({ first_name: 'Katharina', last_name: 'Oyelaran', emails: ['ko@x.example'], place });
  await app().arrives({
    first_name: 'Katharina',
    last_name: 'Brandvold',
    emails: ['far@x.example'],
    place: { city: 'Tarn Hollow', postal_code: '98761' },
  });
  const pairs = await look();
  expect(pairs.map((found) => [found.one.id, found.other.id, found.because])).toEqual([
    [one, other, 'They have similar names, the same address and the same ZIP code.'],
  ]);
});

test('who shares an address is a pair only where the names leave it open; merged each address stands once, apart each has its own again', async () => {
  const { duplicates } = app().m;
  const oda = await app().arrives({
    first_name: 'Oda',
    last_name: 'Brandvold',
    emails: ['oda@x.example'],
    phones: ['564-555-0110'],
  });
  const nils = await app().arrives({ first_name: 'Nils', last_name: 'Brandvold', emails: ['oda@x.example'] });
  const married = await app().arrives({ first_name: 'Oda', last_name: 'Holt', emails: ['oda@x.example', 'oh@x.example'] });
  expect(new Set([oda, nils, married].map(({ contact }) => contact.id)).size).toBe(3);
  const points = (id: string) =>
    app().db.rows('select value from contact_points where contact_id = $1 and active order by value', [id]);
  const before = [await points(oda.contact.id), await points(married.contact.id)];
  const [found, ...more] = await look();
  expect(more).toEqual([]);
  expect(found).toMatchObject({
    one: { id: oda.contact.id },
    other: { id: married.contact.id },
    because: 'They have the same email.',
  });

  const { merge_id } = await duplicates.mergeContacts(app().as('Ada'), oda.contact.id, married.contact.id, {});
  expect((await app().contact(oda.contact.id)).emails.sort()).toEqual(['oda@x.example', 'oh@x.example']);
  expect(await look()).toEqual([]);
  await duplicates.undoMerge(app().as('Ada'), merge_id);
  expect([await points(oda.contact.id), await points(married.contact.id)]).toEqual(before);
  expect(await look()).toHaveLength(1);
  await duplicates.declareDifferent(app().as('Ada'), married.contact.id, oda.contact.id);
  expect(await look()).toEqual([]);
});

test('what a person called different is not shown again', async () => {
  const [one, other] = await pair();
  await app().m.duplicates.declareDifferent(app().as('Ada'), other, one);
  expect(await look()).toEqual([]);
});

test('merged: everything that happened, every address, tag and role; a no of either holds; then taken apart as they were', async () => {
  const [one, other] = await pair();
  const { duplicates, contacts } = app().m;
  await contacts.addNote(app().as('Ada'), other, 'Met at the fair');
  await contacts.setPermission(app().as('Ada'), other, 'letter', 'withdrawn', 'rang about it');
  const before = await snapshot();
  const merged = await duplicates.mergeContacts(app().as('Ada'), one, other, { name: 'gone' });
  expect(merged).toMatchObject({
    last_name: 'Brandvolt',
    emails: ['kb@x.example', 'kathi@y.example'],
    tags: ['choir', 'garden'],
    roles: ['buyer', 'seller'],
  });
  expect((await app().contact(one)).permissions).toEqual({
    call: 'unknown',
    text: 'granted',
    email: 'withdrawn',
    letter: 'withdrawn',
  });
  expect(await app().story(one)).toEqual(
    expect.arrayContaining(['note: Met at the fair', expect.stringContaining('Merged with')]),
  );
  await expect(app().contact(other)).rejects.toMatchObject({ code: 'not_found' });
  expect(await app().verified()).toEqual([]);
  await duplicates.undoMerge(app().as('Ada'), merged.merge_id);
  expect(await snapshot()).toEqual(before);
  await expect(duplicates.undoMerge(app().as('Ada'), merged.merge_id)).rejects.toMatchObject({ code: 'not_found' });
});

test('what was merged before its permissions had their name is taken apart with them', async () => {
  const [one, other] = await pair();
  const { duplicates, contacts } = app().m;
  await contacts.setPermission(app().as('Ada'), other, 'letter', 'withdrawn', 'rang about it');
  const before = await snapshot();
  const merged = await duplicates.mergeContacts(app().as('Ada'), one, other, {});
  await app().db.run(`update merges set moved = (moved - 'permissions') || jsonb_build_object('said', moved->'permissions')`);
  for (let n = 0; n < 2; n += 1) await storedNames.up((sql) => app().db.run(sql));
  await duplicates.undoMerge(app().as('Ada'), merged.merge_id);
  expect(await snapshot()).toEqual(before);
});

test('a lead by the address of the one who is gone arrives at the one who stayed', async () => {
  const [one, other] = await pair();
  await app().m.duplicates.mergeContacts(app().as('Ada'), one, other, {});
  const back = await app().arrives({ first_name: 'Katharina', last_name: '', emails: ['kathi@y.example'] });
  expect(back.contact).toMatchObject({ id: one, status: 'matched' });
});

test('both in one campaign: one goes on; apart again, both do', async () => {
  const [one, other] = await pair();
  await app().db.run(`update enrollments set state = 'active'`);
  await app().db.run(
    `insert into enrollments (account_id, campaign_id, version_id, contact_id, started_at) select 1, 1, 1, id, now() from contacts c where not exists (select 1 from enrollments e where e.contact_id = c.id)`,
  );
  const merged = await app().m.duplicates.mergeContacts(app().as('Ada'), one, other, {});
  const states = async () =>
    (await app().db.rows<{ contact_id: string; state: string }>('select contact_id, state from enrollments order by id')).map(
      ({ contact_id, state }) => `${contact_id} ${state}`,
    );
  expect((await states()).sort()).toEqual([`${one} active`, `${one} stopped`]);
  await app().m.duplicates.undoMerge(app().as('Ada'), merged.merge_id);
  expect((await states()).sort()).toEqual([`${one} active`, `${other} active`].sort());
});

test('nobody merges what is not theirs', async () => {
  const [one, other] = await pair();
  const owner = (await app().contact(one)).owner!.name.split(' ')[0]!;
  const stranger = ['Abel', 'Brisa', 'Caspian'].find((name) => name !== owner)!;
  await expect(app().m.duplicates.mergeContacts(app().as(stranger), one, other, {})).rejects.toMatchObject({
    code: 'not_found',
  });
  await expect(app().m.duplicates.mergeContacts(app().as('Ada'), one, one, {})).rejects.toMatchObject({
    code: 'input_invalid',
  });
});

test('households: joined, shown to each other, left again', async () => {
  const [one, other] = await pair();
  const { duplicates } = app().m;
  await duplicates.joinHousehold(app().as('Ada'), one, other);
  expect((await app().contact(one)).household).toEqual([{ id: other, name: 'Katharina Brandvolt' }]);
  await duplicates.leaveHousehold(app().as('Ada'), one);
  expect((await app().contact(other)).household).toEqual([]);
});

test('a thousand people of one sound in one place are looked through in a moment, and those who are alike are found', async () => {
  await app().db.run(
    `insert into contacts (account_id, first_name, last_name, stage, stage_since, time_zone, city, postal_code, created_at, updated_at)
     select 1, case when n > 2000 then 'Ottilie' else 'Fern' || n end, 'Last' || n % 7, 'new', now(), 'UTC', 'Saltmarsh', '98741', now(), now() from generate_series(1, 2002) n`,
  );
  await app().db.run(`update contacts set last_name = 'Last' where first_name = 'Ottilie'`);
  await app().completePeople();
  await app().m.duplicates.requestDuplicateScan(app().as('Ada'));
  await app().m.duplicates.findDuplicates('1');
  const pairs = await app().db.rows<{ one: string; other: string }>(
    'select a.first_name as one, b.first_name as other from duplicate_pairs p join contacts a on a.id = p.one_id join contacts b on b.id = p.other_id',
  );
  expect(pairs).toContainEqual({ one: 'Ottilie', other: 'Ottilie' });
  expect(pairs.length).toBeLessThan(100);
});

test.each(['the first', 'the second'] as const)(
  'an overdue next touch of %s stays the next one after a merge, and goes back',
  async (whose) => {
    const [one, other] = await pair();
    const { duplicates, contacts } = app().m;
    const [overdue, later] = whose === 'the first' ? [one, other] : [other, one];
    await contacts.setNextTouch(app().as('Ada'), overdue, new Date('2026-11-20T18:00:00Z'), 'Call back');
    await contacts.setNextTouch(app().as('Ada'), later, new Date('2026-12-20T18:00:00Z'), 'Send the card');
    const { merge_id, next_touch } = await duplicates.mergeContacts(app().as('Ada'), one, other, {});
    expect(next_touch).toMatchObject({ at: new Date('2026-11-20T18:00:00Z'), note: 'Call back' });
    await duplicates.undoMerge(app().as('Ada'), merge_id);
    expect((await app().contact(later)).next_touch).toMatchObject({ note: 'Send the card' });
    expect(await app().verified()).toEqual([]);
  },
);
