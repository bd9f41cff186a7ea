/** What somebody may not do by hand they may not do by a campaign, a bulk change or a template either, at the time that it is done. */
import fc from 'fast-check';
import { NO_PLAN, type Plan, type Start } from '@/core/campaigns';
import { readInquiry } from '@/core/capture/schemas';
import { appForEach } from '../harness/each';

const app = appForEach();
const LEAD = { roles: ['seller'], permissions: { email: true } };

/** A contact of an agent. */
async function contactOf(owner: string, n: number): Promise<string> {
  const { contact } = await app().arrives({ first_name: `P${n}`, emails: [`p${n}@people.example`], ...LEAD });
  await app().db.run('update contacts set owner_id = $2, office_id = (select office_id from users where id = $2) where id = $1', [
    contact.id,
    app().users[owner]!.id,
  ]);
  return contact.id;
}
const ownersOf = async (ids: string[]): Promise<string[]> =>
  (
    await app().db.rows<{ owner_id: string }>('select owner_id::text from contacts where id = any($1::bigint[]) order by id', [
      ids,
    ])
  ).map(({ owner_id }) => owner_id);
const planTo = (actor: string, starts: Start[] = []): Plan => ({
  ...NO_PLAN,
  anyStage: true,
  starts,
  steps: [
    { id: 0, when: { after: 'start', minutes: 0 }, do: 'change', change: { set: 'owner', userId: app().users[actor]!.id } },
  ],
});
async function ownCampaign(actor: string, starts: Start[] = []) {
  const { campaigns } = app().m;
  const as = app().as(actor);
  const draft = await campaigns.createCampaign(as, { name: `By ${actor}`, shared: true });
  const saved = await campaigns.saveVersion(as, draft.id, { plan: planTo(actor, starts), seen: draft.version.id });
  await campaigns.updateCampaign(as, saved.id, { shared: true }).catch(() => undefined);
  return campaigns.updateCampaign(as, saved.id, { state: 'on' });
}

/** The ways by which somebody may try to have a contact. Each swallows the refusal: what counts is what became of the contact. */
const WAYS = {
  'by hand': async (actor: string, id: string) => {
    await app().m.contacts.updateContact(app().as(actor), id, { owner_id: app().users[actor]!.id });
  },
  'by a change of many': async (actor: string, id: string) => {
    const { changes } = app().m;
    const asked = { selection: { ids: [id] }, change: { kind: 'owner' as const, owner_id: app().users[actor]!.id } };
    await changes.performChange((await changes.createChange(app().as(actor), asked)).id);
  },
  'by putting them into a campaign': async (actor: string, id: string) => {
    await app().m.campaigns.enrollContact(app().as(actor), id, (await ownCampaign(actor)).id);
    await app().settle();
  },
  'by an import': async (actor: string, id: string) => {
    const { imports } = app().m;
    const { value, first_name } = (await app().db.first<{ value: string; first_name: string }>(
      'select p.value, c.first_name from contact_points p join contacts c on c.id = p.contact_id where c.id = $1',
      [id],
    ))!;
    const as = app().as(actor);
    const file = new Response(`First,Company,Email,Agent\n${first_name},By ${actor},${value},${actor} Test\n`);
    const { id: importId } = await imports.createImport(as, 'mine.csv', file.body);
    await app().m.importing.scanImport(importId);
    await imports.updateImport(as, importId, { options: { on_match: 'update', owner_id: app().users[actor]!.id } });
    await imports.startImport(as, importId);
    await app().m.importing.performImport(importId);
  },
  'by typing them in': async (actor: string, id: string) => {
    const { value } = (await app().db.first<{ value: string }>('select value from contact_points where contact_id = $1', [id]))!;
    await app().arrives({ first_name: 'Mine', emails: [value], ...LEAD }, { by: actor });
    await app().settle();
  },
  'by a campaign of a day': async (actor: string) => {
    await ownCampaign(actor, [{ on: 'day', day: '11-24', at: '09:00' }]);
    await app().advance('PT30H');
  },
} as const;
type Way = keyof typeof WAYS;

test('nobody comes by a contact in another way than by hand', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.constantFrom('Abel', 'Brisa', 'Cato', 'Hollis'),
      fc.constantFrom('Abel', 'Brisa', 'Caspian'),
      fc.constantFrom(...(Object.keys(WAYS).filter((way) => way !== 'by hand') as Way[])),
      fc.integer({ min: 1, max: 1_000_000 }),
      async (actor, owner, way, n) => {
        await app().m.shared.holdClock(app().db, new Date('2026-11-23T18:00:00Z'));
        const [byHand, other] = [await contactOf(owner, n), await contactOf(owner, n + 2_000_000)];
        await WAYS['by hand'](actor, byHand).catch(() => undefined);
        await WAYS[way](actor, other).catch(() => undefined);
        const [allowed, came] = (await ownersOf([byHand, other])).map((id) => id === app().users[actor]!.id);
        if (came) expect([actor, owner, way, allowed]).toEqual([actor, owner, way, true]);
        await app().db.run(`update campaigns set state = 'off'`);
      },
    ),
    { numRuns: 24, endOnFailure: true },
  );
});

test('the ways are real: an admin comes by a contact on each that is theirs', async () => {
  for (const way of ['by a change of many', 'by putting them into a campaign'] as const) {
    const id = await contactOf('Abel', way.length);
    await WAYS[way]('Ada', id);
    expect([way, await ownersOf([id])]).toEqual([way, [app().users.Ada!.id]]);
    await app().db.run(`update campaigns set state = 'off'`);
  }
  const companyOf = async (id: string) => (await app().contact(id)).company;
  const id = await contactOf('Abel', 1);
  await WAYS['by an import']('Brisa', id);
  expect(await companyOf(id)).toBeNull();
  await WAYS['by an import']('Ada', id);
  expect(await companyOf(id)).toBe('By Ada');
});

test('only those who run the office share; a caller does not, with or without an office', async () => {
  const { campaigns, templates, broadcasts } = app().m;
  await app().db.run('update users set office_id = null where id = $1', [app().users.Cato!.id]);
  app().users.Cato = { ...app().users.Cato!, officeId: null };
  const refused = { code: 'not_allowed' };
  const team = await templates.createTemplate(app().as('Ada'), {
    channel: 'text',
    name: 'Team',
    words: { text: 'Hi', plain: 'Hi' },
  });
  const sale = await broadcasts.createBroadcast(app().as('Ada'), { name: 'Sale', channel: 'email', selection: {} });
  for (const actor of ['Abel', 'Cato']) {
    const as = app().as(actor);
    const own = await campaigns.createCampaign(as, { name: 'Mine', shared: true });
    expect(own.shared).toBe(false);
    await expect(campaigns.updateCampaign(as, own.id, { shared: true })).rejects.toMatchObject(refused);
    await expect(campaigns.updateCampaign(as, '1', { name: 'x' })).rejects.toMatchObject(refused);
    const words = await templates.createTemplate(as, {
      channel: 'text',
      name: 'Mine',
      words: { text: 'Hi', plain: 'Hi' },
      shared: true,
    });
    await expect(templates.updateTemplate(as, words.id, { shared: true })).rejects.toMatchObject(refused);
    await expect(templates.updateTemplate(as, team.id, { name: 'x' })).rejects.toMatchObject(refused);
    await expect(broadcasts.deleteBroadcast(as, sale.id)).rejects.toMatchObject({ code: 'not_found' });
    await app().m.capture.createDoor(app().as('Ada'), { kind: 'mail', name: 'Mails' });
    const doors = await app().m.capture.listDoors(app().scopeOf(actor), new Date());
    expect(doors.some(({ address }) => address !== null)).toBe(false);
  }
  expect(await campaigns.updateCampaign(app().as('Ada'), '1', { shared: false })).toMatchObject({ shared: false });
});

test('what was ordered for contacts that belong to another since is not done to them; an own campaign ends for them', async () => {
  const { changes, campaigns } = app().m;
  const [given, saved] = [await contactOf('Abel', 1), await contactOf('Abel', 2)];
  const own = await ownCampaign('Abel');
  await campaigns.enrollContact(app().as('Abel'), given, own.id);
  const { id } = await changes.createChange(app().as('Abel'), {
    selection: { ids: [given, saved] },
    change: { kind: 'horizon', horizon: 'hot' },
  });
  await app().m.contacts.updateContact(app().as('Ada'), given, { owner_id: app().users.Brisa!.id });
  await changes.performChange(id);
  await app().settle();
  expect(await app().db.rows('select horizon from contacts where id = any($1::bigint[]) order by id', [[given, saved]])).toEqual([
    { horizon: null },
    { horizon: 'hot' },
  ]);
  expect(await ownersOf([given])).toEqual([app().users.Brisa!.id]);
  expect(await app().story(given)).toContainEqual(expect.stringContaining('has a new agent'));
});

const everythingOf = (id: string) =>
  app().db.first<object>(
    `select c.owner_id, c.first_name, c.roles, c.wants, c.city, (select array_agg(value order by id) from contact_points where contact_id = c.id) as points,
       (select count(*)::int from contact_tags where contact_id = c.id) as tags, (select array_agg(channel || ' ' || state order by id) from permissions where address in (select value from contact_points where contact_id = c.id)) as said
     from contacts c where id = $1`,
    [id],
  );

test('an agent who types in another’s client learns neither who nor whose, and adds nothing to them', async () => {
  const { contact } = await app().arrives({ first_name: 'Oda', emails: ['oda@people.example'], permissions: { email: true } });
  await app().m.contacts.updateContact(app().as('Ada'), contact.id, { owner_id: app().users.Brisa!.id });
  const before = await everythingOf(contact.id);
  const raw = {
    person: { first_name: 'Oda', emails: ['oda@people.example'], phones: ['(564) 555-0188'] },
    roles: ['seller'],
    place: { city: 'Elsewhere' },
    tags: ['poached'],
    permissions: { text: true, call: true },
  };
  const { capture } = app().m;
  const arrival = {
    door: await capture.doorOfKind('1', 'hand'),
    raw,
    inquiry: readInquiry(raw),
    idempotencyKey: 'typed twice',
    byPerson: app().users.Abel!,
  };
  for (const told of [
    await capture.tryByHand(arrival),
    await capture.captureByHand(arrival),
    await capture.captureByHand(arrival),
  ]) {
    expect(told.contact).toEqual({ id: null, status: 'matched', because: null });
    expect(told.routing).toEqual({ agent: null, because: expect.not.stringContaining('Brisa') });
  }
  expect(await everythingOf(contact.id)).toEqual(before);
  const own = await capture.captureByHand({ ...arrival, idempotencyKey: null, byPerson: app().users.Brisa! });
  expect(own.contact).toEqual({ id: contact.id, status: 'matched', because: 'Matched to Oda Brandvold: the same email.' });
  expect(await everythingOf(contact.id)).toMatchObject({ points: expect.arrayContaining(['+15645550188']), tags: 1 });
});

test('whom an admin barred from new tags makes none by a lead or a file, and no fields of the account', async () => {
  const { accounts, imports, importing } = app().m;
  await accounts.updateSettings(app().as('Ada'), { tag_barred: ['agent'] });
  await app().db.run(`insert into tags (account_id, name) values (1, 'Choir')`);
  const names = async () => ({
    tags: (await app().db.rows<{ name: string }>('select name from tags order by name')).map(({ name }) => name),
    fields: (await app().db.rows<{ name: string }>('select name from fields order by name')).map(({ name }) => name),
  });
  const { contact } = await app().arrives({ emails: ['t@people.example'], tags: ['choir', 'Made up'] }, { by: 'Abel' });
  expect(await app().db.rows('select 1 from contact_tags where contact_id = $1', [contact.id])).toHaveLength(1);
  const as = app().as('Abel');
  const { id } = await imports.createImport(
    as,
    'x.csv',
    new Response('Email,Tags,Boat\nu@people.example,"choir, Invented",Tern\n').body,
  );
  await importing.scanImport(id);
  const { columns } = (await app().db.first<{ columns: { target: string }[] }>('select columns from imports where id = $1', [
    id,
  ]))!;
  const asNew = columns.map(({ target }) => ({ target, ...(target === 'custom' ? { place: 'new' } : {}) }));
  await expect(imports.updateImport(as, id, { columns: asNew } as never)).rejects.toMatchObject({ code: 'not_allowed' });
  const all = (tags: string[]) => imports.updateImport(as, id, { options: { tags } });
  await expect(all(['choir', 'Spring list'])).rejects.toMatchObject({ code: 'not_allowed' });
  await all(['choir']);
  await app().db.run(
    'update imports set columns = (select jsonb_agg(c || \'{"place": "new"}\') from jsonb_array_elements(columns) c) where id = $1',
    [id],
  );
  await imports.startImport(as, id);
  await importing.performImport(id);
  expect(await names()).toEqual({ tags: ['Choir'], fields: [] });
  const notes = await app().db.rows<{ text: string }>(
    `select data->>'text' as text from activities where kind = 'note' order by id`,
  );
  expect(notes.map(({ text }) => text).join('\n')).toMatch(/Tags in the file: Invented/);
});
