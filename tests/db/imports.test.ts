/** Bringing files in: what was previewed is what comes in; who is here already by the choice made; undo, resume, cancel; permissions only where the file says so. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ImportOptions } from '@/core/imports';
import { appForEach } from '../harness/each';

const FOLDER = join(__dirname, '../data/imports');
const app = appForEach();

const streamOf = (bytes: Uint8Array): ReadableStream<Uint8Array> =>
  new ReadableStream({
    start(controller) {
      for (let at = 0; at < bytes.length; at += 1_000) controller.enqueue(bytes.subarray(at, at + 1_000));
      controller.close();
    },
  });

/** Uploads and looks. */
async function send(file: string | { name: string; text: string }, who = 'Ada') {
  const { imports, importing } = app().m;
  const [name, bytes] =
    typeof file === 'string' ? [file, readFileSync(join(FOLDER, file))] : [file.name, new TextEncoder().encode(file.text)];
  const { id } = await imports.createImport(app().as(who), name, streamOf(bytes));
  await importing.scanImport(id);
  return imports.findImport(app().as(who), id);
}
async function bring(file: string | { name: string; text: string }, options: Partial<ImportOptions> = {}) {
  const { imports, importing } = app().m;
  const { id } = await send(file);
  if (Object.keys(options).length) await imports.updateImport(app().as('Ada'), id, { options });
  await imports.startImport(app().as('Ada'), id);
  await importing.performImport(id);
  return imports.findImport(app().as('Ada'), id);
}
async function undo(id: string) {
  await app().m.imports.undoImport(app().as('Ada'), id);
  await app().m.importing.performImportUndo(id);
  return app().m.imports.findImport(app().as('Ada'), id);
}
const find = async (email: string) => {
  const row = await app().db.first<{ contact_id: string }>(`select contact_id from contact_points where value = $1 and active`, [
    email,
  ]);
  return row ? app().contact(row.contact_id) : null;
};
const count = async () =>
  (await app().db.first<{ n: number }>('select count(*)::int as n from contacts where deleted_at is null', []))!.n;
/** Everything an import may touch. */
const snapshot = () =>
  app().db.rows(
    `select c.id, c.first_name, c.last_name, c.company, c.stage, c.horizon, c.roles, c.owner_id, c.street, c.city, c.postal_code, c.region, c.source,
       (select jsonb_agg(value order by value) from contact_points where contact_id = c.id and active) as points, (select jsonb_agg(tag_id order by tag_id) from contact_tags where contact_id = c.id) as tags,
       (select jsonb_agg(jsonb_build_array(kind, year, month_day) order by kind) from contact_dates where contact_id = c.id) as dates,
       (select jsonb_agg(jsonb_build_array(channel, state) order by channel) from permissions p where p.address = 'person:' || c.id or p.address in (select value from contact_points cp where cp.contact_id = c.id and cp.active)) as said
     from contacts c where deleted_at is null order by c.id`,
  );

test('the plain file: everybody once, the doubtful with what is good, the rest to be mended', async () => {
  const looked = await send('01-plain-comma.csv');
  expect(looked).toMatchObject({
    state: 'ready',
    total: 24,
    look: { rows: 24, accepted: 22, doubtful_count: 2, twice: 2, known: 0 },
  });
  expect(looked.columns.map(({ target }) => target)).toEqual([
    'first',
    'last',
    'email',
    'phone',
    'street',
    'city',
    'region',
    'postal_code',
    'tags',
    'notes',
  ]);
  expect(await count()).toBe(0);
  const done = await bring('01-plain-comma.csv', { tags: ['spring list'], stage: 'sphere', owner_id: app().users.Brisa!.id });
  expect(done).toMatchObject({ state: 'done', read: 24, made: 21, left_out: 1, doubtful: 1 });
  expect(await find('bertrand.marlpool@tarnmail.example')).toMatchObject({
    first_name: 'Bertrand',
    stage: { key: 'sphere' },
    phones: ['+15645550138'],
    tags: ['rowing club', 'sphere', 'spring list'],
    place: { street: '258 Mill Green Avenue', city: 'Tarn Hollow', postal_code: '98761', region: 'WA' },
    owner: { name: 'Brisa Test' },
  });
  expect(await app().m.imports.listLeft(done.id, 0, 10)).toMatchObject([
    {
      row: 22,
      why: expect.stringContaining('no email') as string,
      raw: ['Silvester', 'Pettifer', '', '', '', '', '', '', '', ''],
    },
  ]);
});

test('the same file twice changes nothing; taken back, the second takes nothing and the first everything', async () => {
  const first = await bring('01-plain-comma.csv');
  const before = await snapshot();
  const again = await bring('01-plain-comma.csv');
  expect(again).toMatchObject({ made: 0, changed: 0, same: 23 });
  expect(await snapshot()).toEqual(before);
  await undo(again.id);
  expect(await snapshot()).toEqual(before);
  expect(await undo(first.id)).toMatchObject({ state: 'undone' });
  expect(await count()).toBe(0);
});

test('permissions come only where the file says yes or no, with the file as evidence; the file cannot undo a stop', async () => {
  await app().m.contacts.changePermissions(app().db, '1', [
    { channel: 'text', address: '+15645550102', state: 'withdrawn', how: 'replied STOP', forGood: true, at: new Date() },
  ]);
  await bring('13-permissions-birthdays.csv');
  const orla = await find('orla.borowska@tarnmail.example');
  expect(orla!.permissions).toEqual({ call: 'granted', text: 'withdrawn', email: 'granted', letter: 'withdrawn' });
  expect(orla!.permission_details.find(({ channel }) => channel === 'email')).toMatchObject({
    how: 'the file “13-permissions-birthdays.csv” says so, row 1',
  });
  expect(orla!.dates).toEqual([
    { kind: 'birthday', label: '', on: '1985-04-12' },
    { kind: 'closing', label: '', on: '2024-06-28' },
  ]);
  expect((await find('calloway.dragomir@lanternnet.example'))!.permissions).toEqual({
    call: 'withdrawn',
    text: 'granted',
    email: 'unknown',
    letter: 'granted',
  });
  await bring('01-plain-comma.csv');
  expect((await find('bertrand.marlpool@tarnmail.example'))!.permissions).toEqual({
    call: 'unknown',
    text: 'unknown',
    email: 'unknown',
    letter: 'unknown',
  });
});

test('spouses are people of their own in one household, also when the file names them from both sides', async () => {
  await bring('16-spouses.ods');
  const jago = await find('jago.eskerling@fjordpost.example');
  const gideon = await find('jago50@slowmail.example');
  expect(gideon).toMatchObject({ first_name: 'Gideon', last_name: 'Eskerling', phones: ['+15645550156'] });
  expect(jago!.household).toEqual([{ id: gideon!.id, name: 'Gideon Eskerling' }]);
  expect(gideon!.household).toEqual([{ id: jago!.id, name: 'Jago Eskerling' }]);
  const pairs = await app().db.rows<{ n: number }>(
    'select count(*)::int as n from contacts group by first_name, last_name having count(*) > 1',
  );
  expect(pairs).toEqual([]);
});

test('cards: groups become tags, spouses by identity share a household', async () => {
  await bring('18-cards-4.0.vcf');
  expect((await find('yolande.zelenka@tarnmail.example'))!.tags).toEqual(['Rowing club']);
  expect((await find('nestor.lintwhistle@fjordpost.example'))!.household).toMatchObject([{ name: 'Jago Lintwhistle' }]);
});

describe('somebody who is here already', () => {
  const FILE = {
    name: 'more.csv',
    text: 'First,Last,Email,Phone,City,Tags,Role\nOda Maria,Brandvold,oda@x.example,564-555-0199,Tarn Hollow,choir,seller\n',
  };
  const here = () =>
    app().arrives({
      first_name: 'Oda',
      last_name: 'Brandvold',
      emails: ['oda@x.example'],
      place: { city: 'Saltmarsh' },
      tags: ['garden'],
    });

  test.each<[ImportOptions['on_match'], object, string]>([
    ['fill', { first_name: 'Oda', phones: ['+15645550199'], tags: ['choir', 'garden'], roles: ['buyer', 'seller'] }, 'Saltmarsh'],
    [
      'update',
      { first_name: 'Oda Maria', phones: ['+15645550199'], tags: ['choir', 'garden'], roles: ['buyer', 'seller'] },
      'Tarn Hollow',
    ],
    ['skip', { first_name: 'Oda', phones: [], tags: ['garden'], roles: ['buyer'] }, 'Saltmarsh'],
  ])('%s', async (on_match, expected, city) => {
    await here();
    const before = await snapshot();
    const done = await bring(FILE, { on_match });
    const oda = await find('oda@x.example');
    expect(oda).toMatchObject(expected);
    expect(oda!.place.city).toBe(city);
    expect(await count()).toBe(1);
    await undo(done.id);
    expect(await snapshot()).toEqual(before);
  });
  test('new: another contact, which shares the address, so that the two are found to be one', async () => {
    await here();
    const before = await snapshot();
    const done = await bring(FILE, { on_match: 'new' });
    expect(await count()).toBe(2);
    expect(await find('oda@x.example')).toMatchObject({ first_name: 'Oda' });
    const { duplicates } = app().m;
    await duplicates.findDuplicates('1');
    expect((await duplicates.listPairs(app().scope, 5)).map(({ because }) => because)).toEqual([
      expect.stringContaining('same email'),
    ]);
    await undo(done.id);
    expect(await snapshot()).toEqual(before);
  });
  test('undo leaves alone whoever was worked with since', async () => {
    const done = await bring('01-plain-comma.csv');
    const oda = await find('oda.farthingale@fjordpost.example');
    await app().m.shared.holdClock(app().db, new Date(Date.now() + 100_000_000_000));
    await app().m.contacts.addNote(app().as('Ada'), oda!.id, 'Met her at the fair');
    const undone = await undo(done.id);
    expect(undone.undo_left_alone).toBe(1);
    expect(await count()).toBe(1);
  });
});

test('killed in the middle, it goes on behind the last chunk and takes nobody twice; cancelled, it stops', async () => {
  const text = `First,Last,Email\n${Array.from({ length: 5_000 }, (_, n) => `P${n},Query,p${n}@x.example`).join('\n')}\n`;
  const { imports, importing } = app().m;
  const { id } = await send({ name: 'many.csv', text });
  await imports.startImport(app().as('Ada'), id);
  let left = 1;
  await importing.performImport(id, () => (left -= 1) >= 0);
  expect(await imports.findImport(app().as('Ada'), id)).toMatchObject({ state: 'running', read: 2_000, made: 2_000 });
  left = 1;
  await importing.performImport(id, () => (left -= 1) >= 0);
  await imports.cancelImport(app().as('Ada'), id);
  await importing.performImport(id);
  expect(await imports.findImport(app().as('Ada'), id)).toMatchObject({ state: 'cancelled', read: 4_000, made: 4_000 });
  expect(await count()).toBe(4_000);
  await undo(id);
  expect(await count()).toBe(0);
}, 30_000);

test('a look that was cancelled stops, and what it had found so far is not kept', async () => {
  const { imports, importing } = app().m;
  const text = `First,Last,Email\n${Array.from({ length: 5_000 }, (_, n) => `P${n},Query,p${n}@x.example`).join('\n')}\n`;
  const { id } = await imports.createImport(app().as('Ada'), 'many.csv', streamOf(new TextEncoder().encode(text)));
  const looking = importing.scanImport(id);
  for (;;) {
    const { total } = await imports.findImport(app().as('Ada'), id);
    if (total > 0) break;
  }
  await imports.cancelImport(app().as('Ada'), id);
  await looking;
  const after = await imports.findImport(app().as('Ada'), id);
  expect(after).toMatchObject({ state: 'cancelled', look: null });
  expect(after.total).toBeLessThan(5_000);
});

test('an import is cancelled at any time before it has ended: looked at, waiting, ready, refused', async () => {
  const { imports, importing } = app().m;
  const ada = app().as('Ada');
  const begin = async (text = 'First,Email\nOda,oda@x.example\n') =>
    (await imports.createImport(ada, 'some.csv', streamOf(new TextEncoder().encode(text)))).id;
  const state = async (id: string) => (await imports.findImport(ada, id)).state;
  const looked = await begin();
  await imports.cancelImport(ada, looked);
  await importing.scanImport(looked);
  const ready = await begin();
  await importing.scanImport(ready);
  await imports.cancelImport(ada, ready);
  const waiting = await begin();
  await importing.scanImport(waiting);
  await imports.startImport(ada, waiting);
  await imports.cancelImport(ada, waiting);
  await importing.performImport(waiting);
  const refused = await begin('');
  await importing.scanImport(refused);
  expect(await state(refused)).toBe('refused');
  await imports.cancelImport(ada, refused);
  for (const id of [looked, ready, waiting, refused]) {
    expect([id, await state(id)]).toEqual([id, 'cancelled']);
    await expect(imports.cancelImport(ada, id)).rejects.toMatchObject({ code: 'conflict' });
    await expect(imports.startImport(ada, id)).rejects.toMatchObject({ code: 'conflict' });
  }
  expect(await count()).toBe(0);
});

test('a corrected heading is remembered for the next file of the same make', async () => {
  const file = { name: 'odd.csv', text: 'First,Last,Email,Perch\nAnn,Ace,ann@x.example,98741\nBob,Bee,bob@x.example,98751\n' };
  const first = await send(file);
  expect(first.columns[3]).toMatchObject({ heading: 'Perch', target: 'custom', sample: ['98741', '98751'] });
  await app().m.imports.updateImport(app().as('Ada'), first.id, {
    columns: first.columns.map(({ target }, at) => ({ target: at === 3 ? 'postal_code' : target })),
  });
  await app().m.importing.scanImport(first.id);
  expect((await app().m.imports.findImport(app().as('Ada'), first.id)).look!.people[0]).toMatchObject({
    address: { postalCode: '98741' },
  });
  expect((await send({ ...file, name: 'next.csv' })).columns[3]).toMatchObject({ target: 'postal_code' });
});

test('a column of its own becomes a field when one asks for it, otherwise a note', async () => {
  const file = { name: 'boats.csv', text: 'First,Email,Boat,Colour\nAnn,ann@x.example,sloop,red\n' };
  const { id, columns } = await send(file);
  await app().m.imports.updateImport(app().as('Ada'), id, {
    columns: columns.map(({ target, heading }) => ({ target, ...(heading === 'Boat' ? { place: 'new' as const } : {}) })),
  });
  await app().m.importing.scanImport(id);
  await app().m.imports.startImport(app().as('Ada'), id);
  await app().m.importing.performImport(id);
  const ann = await find('ann@x.example');
  expect(Object.values(ann!.fields)).toEqual(['sloop']);
  expect(await app().story(ann!.id)).toContainEqual('note: Colour: red');
});

test.each([
  ['10-empty.csv', 'empty'],
  ['11-headings-only.csv', 'no rows'],
  ['19-not-a-workbook.xlsx', 'archive'],
])('%s is refused in one sentence and cannot be started', async (file, words) => {
  const looked = await send(file);
  expect(looked).toMatchObject({ state: 'refused', sentence: expect.stringContaining(words) as string });
  await expect(app().m.imports.startImport(app().as('Ada'), looked.id)).rejects.toMatchObject({ code: 'conflict' });
});

test('an agent’s imports are theirs: nobody else of the team sees them, and the people are with them', async () => {
  const { imports, importing } = app().m;
  const { id } = await send('05-numbered-columns.csv', 'Abel');
  await expect(imports.findImport(app().as('Brisa'), id)).rejects.toMatchObject({ code: 'not_found' });
  await imports.startImport(app().as('Abel'), id);
  await importing.performImport(id);
  expect((await app().m.contacts.listContacts(app().scopeOf('Abel'), { limit: 50 })).items).toHaveLength(15);
});

test('an agent’s file touches nobody of another agent and hands nobody to them; such rows are left out', async () => {
  const { imports, importing } = app().m;
  await app().arrives({ first_name: 'Oda', last_name: 'Brandvold', emails: ['oda@x.example'] }, { by: 'Brisa' });
  const before = await snapshot();
  const { id } = await send(
    {
      name: 'mine.csv',
      text: 'First,Last,Email,Phone,Agent\nOda,Brandvold,oda@x.example,564-555-0199,Brisa Test\nAnn,Ace,ann@x.example,,Brisa Test\n',
    },
    'Abel',
  );
  await expect(
    imports.updateImport(app().as('Abel'), id, { options: { owner_id: app().users.Brisa!.id } }),
  ).rejects.toMatchObject({ code: 'not_allowed' });
  await imports.updateImport(app().as('Abel'), id, { options: { on_match: 'update' } });
  await imports.startImport(app().as('Abel'), id);
  await importing.performImport(id);
  expect(await imports.findImport(app().as('Abel'), id)).toMatchObject({ state: 'done', made: 1, changed: 0, left_out: 1 });
  expect((await snapshot()).slice(0, 1)).toEqual(before);
  expect(await find('ann@x.example')).toMatchObject({ owner: { name: 'Abel Test' } });
  expect(await imports.listLeft(id, 0, 5)).toMatchObject([{ row: 1, why: expect.stringContaining('another agent') as string }]);
});

test('a file of one number keeps people apart by their names, and takes nobody twice', async () => {
  const { contact } = await app().arrives({ first_name: 'Harriet', last_name: 'Osierby', phones: ['564-555-0101'] });
  const names = ['Hattie', 'George', 'Ursula', 'Lorcan', 'George'];
  const text = `First,Last,Phone\n${names.map((name) => `${name},Osierby,564-555-0101`).join('\n')}\n`;
  expect((await send({ name: 'looked.csv', text })).look).toMatchObject({ sharing: 4, twice: 1 });
  await bring({ name: 'family.csv', text });
  const rows = await app().db.rows<{ first_name: string; id: string }>('select id, first_name from contacts order by id');
  expect(rows.map(({ first_name }) => first_name)).toEqual(['Harriet', 'George', 'Ursula', 'Lorcan']);
  expect(rows[0]!.id).toBe(contact.id);
  for (const { id } of rows) expect((await app().contact(id)).phones).toEqual(['+15645550101']);
  expect((await app().m.contacts.verify()).differences).toEqual([]);
});

test('a placeholder number in 200 rows is nobody’s, and doubted', async () => {
  const text = `First,Last,Phone,Email\n${Array.from({ length: 200 }, (_, n) => `P${n},Query,000-000-0000,p${n}@x.example`).join('\n')}\n`;
  const done = await bring({ name: 'zeros.csv', text });
  expect(done.look).toMatchObject({ doubtful_count: 200, sharing: 0 });
  expect(await count()).toBe(200);
  expect((await find('p7@x.example'))!.phones).toEqual([]);
});
