/** The ladder changed as a whole, brought back, and rehearsed over what came before; conditions on the person; tags and lenders of a rung. */
import { appForEach } from '../harness/each';
import type { Tree } from '@/core/segments';
import { type TestApp } from '../harness/test-app';

const opened = appForEach();
let app: TestApp;
beforeEach(() => {
  app = opened();
});

const BUYERS: Tree = { all: [{ on: 'lead_role', how: 'any', of: ['buyer'] }] };
const about = (town: string): Tree => ({ all: [{ on: 'lead_town', how: 'any', of: [town] }] });
const save = async (rungs: object[], more: object = {}) => {
  const { version } = await app.m.routing.readLadder(app.scope);
  return app.m.routing.saveLadder(app.as('Ada'), version, { rungs, ...more });
};
const newRoster = async (name: string, people: string[]) =>
  (
    await app.m.routing.createRoster(app.as('Ada'), {
      name,
      safety_net_id: app.users.Ada!.id,
      members: people.map((one) => ({ id: app.users[one]!.id })),
    })
  ).id;

test('each rung of a ladder is asked in its order, and the way says why the others did not fit', async () => {
  const south = await newRoster('South', ['Caspian']);
  await save([
    { tree: { all: [about('Petrel Point'), { on: 'lead_price', how: 'between', from: 500_000, to: null }] }, roster_id: south },
    { id: '1', tree: BUYERS, roster_id: '1' },
  ]);
  const cheap = await app.arrives({
    emails: ['cheap@ladder.example'],
    place: { city: 'Petrel Point' },
    wants: { price_max: 300_000 },
  });
  const dear = await app.arrives({
    emails: ['dear@ladder.example'],
    place: { city: 'petrel point' },
    wants: { price_max: 900_000 },
  });
  expect([cheap.routing.agent!.name, dear.routing.agent!.name]).toEqual(['Abel Test', 'Caspian Test']);
  expect((await app.m.routing.readTrace(app.scope, cheap.inquiry.id)).rungs).toEqual([
    {
      position: 1,
      who: 'People (about Petrel Point), with a price of $500,000 or more',
      fits: false,
      unmet: 'People with a price of $500,000 or more',
    },
    { position: 2, who: 'Buyers', fits: true, unmet: null },
  ]);
});

test('whoever changes a ladder that somebody else has changed meanwhile is told; an earlier one comes back whole', async () => {
  const { version } = await app.m.routing.readLadder(app.scope);
  await save([{ id: '1', tree: about('Saltmarsh'), roster_id: '1', notify: ['text'] }]);
  await expect(app.m.routing.saveLadder(app.as('Ada'), version, { rungs: [] })).rejects.toMatchObject({
    code: 'conflict',
    message: expect.stringContaining('Ada Test has changed the ladder meanwhile; nothing was kept.'),
  });
  await save([]);
  const { routing } = await app.arrives({ emails: ['none@ladder.example'] });
  expect(routing.because).toBe('No rung matched, so it goes to the safety net: Ada Test.');
  const versions = await app.m.routing.listLadderVersions('1');
  expect(versions.map(({ rungs }) => rungs)).toEqual([[], ['People about Saltmarsh → Coast agents'], ['Buyers → Coast agents']]);
  await app.m.routing.restoreLadder(app.as('Ada'), versions[1]!.id);
  const { rungs } = await app.m.routing.readLadder(app.scope);
  expect(rungs).toEqual([expect.objectContaining({ id: '1', who: 'People about Saltmarsh', notify: ['text'] })]);
});

test.each<[string, object, string]>([
  ['no such roster', { roster_id: '999', tree: BUYERS }, 'rungs.0.roster_id'],
  ['a condition that cannot be asked', { roster_id: '1', tree: { on: 'lead_price', how: 'yes' } }, 'rungs.0.tree'],
  ['no such tag', { roster_id: '1', tree: BUYERS, tags: ['77'] }, 'rungs.0.tags'],
  ['an agent as lender', { roster_id: '1', tree: BUYERS, lender_id: '2' }, 'rungs.0.lender_id'],
  ['another way to tell', { roster_id: '1', tree: BUYERS, notify: ['fax'] }, 'rungs.0.notify.0'],
])('a ladder with %s is refused by its place; nothing is kept', async (_, rung, field) => {
  await expect(save([rung])).rejects.toMatchObject({
    code: 'input_invalid',
    facts: { fields: [expect.objectContaining({ field })] },
  });
  expect((await app.m.routing.readLadder(app.scope)).rungs).toHaveLength(1);
});

test('a rung may ask about the person, tags them and attaches a lender', async () => {
  const { contact } = await app.arrives({ emails: ['choir@tag.example'], tags: ['choir'] });
  const tags = await app.db.rows<{ id: string; name: string }>('select id, name from tags');
  const choir = tags.find(({ name }) => name === 'choir')!.id;
  const south = await newRoster('South', ['Caspian']);
  await save([
    {
      tree: { all: [{ on: 'tag', how: 'any', of: [choir] }] },
      roster_id: south,
      tags: [choir],
      lender_id: app.users.Hollis!.id,
    },
    { tree: BUYERS, roster_id: '1' },
  ]);
  const singing = await app.arrives({ emails: ['singer@tag.example'], tags: ['choir'] });
  const silent = await app.arrives({ emails: ['silent@tag.example'] });
  expect([singing.routing.agent!.name, silent.routing.agent!.name]).not.toContain(undefined);
  expect(singing.routing.agent!.name).toBe('Caspian Test');
  expect(silent.routing.agent!.name).not.toBe('Caspian Test');
  const seen = await app.m.contacts.listContacts(app.scopeOf('Hollis'), { limit: 5 });
  expect(seen.items.map(({ id }) => id)).toEqual([singing.contact.id]);
  expect(contact.id).not.toBe(singing.contact.id);
});

test('a rehearsal says who would have got what, and changes nothing; cancelled it stops; of nothing it says nothing', async () => {
  const south = await newRoster('South', ['Caspian']);
  for (let n = 0; n < 12; n += 1)
    await app.arrives({ emails: [`r${n}@rehearsed.example`], place: { city: n % 3 ? 'Saltmarsh' : 'Petrel Point' } });
  await app.arrives({ emails: ['r0@rehearsed.example'] });
  await app.db.run(`update inquiries set arrived_at = arrived_at - interval '300 microseconds' where id % 2 = 0`);
  const before = await app.db.rows('select id, owner_id from contacts order by id');
  const order = (rungs: object[]) => app.m.routing.orderRehearsal(app.as('Ada'), 30, { rungs });
  const { id } = await order([
    { tree: about('Petrel Point'), roster_id: south },
    { id: '1', tree: BUYERS, roster_id: '1' },
  ]);
  await app.m.routing.performRehearsal(id, () => true, 4);
  const { result, state, done } = await app.m.routing.findRehearsal('1', id);
  expect([state, done]).toEqual(['done', 13]);
  expect(result).toMatchObject({
    inquiries: 13,
    asked: 12,
    rungs: [
      { id: 'new-1', position: 1, really: 0, before: 0, after: 4 },
      { id: '1', position: 2, really: 12, before: 12, after: 8 },
    ],
    fell: { before: 0, after: 0 },
  });
  const moved = await app.m.routing.listOutcomes('1', id, { rung: 'new-1' }, 50);
  expect(moved).toHaveLength(4);
  expect(new Set(moved.map(({ after }) => after))).toEqual(new Set(['Caspian Test']));
  expect((await app.m.routing.listOutcomes('1', id, { moved: true }, 50)).length).toBe(result!.moved);
  expect(await app.db.rows('select id, owner_id from contacts order by id')).toEqual(before);

  const same = await order([{ id: '1', tree: BUYERS, roster_id: '1' }]);
  await app.m.rehearsing.rehearse(same.id, () => true);
  expect((await app.m.routing.findRehearsal('1', same.id)).result!.moved).toBe(0);

  const stopped = await order([]);
  await app.m.routing.cancelRehearsal(app.as('Ada'), stopped.id);
  await app.m.rehearsing.rehearse(stopped.id, () => true);
  expect(await app.m.routing.findRehearsal('1', stopped.id)).toMatchObject({ state: 'cancelled', result: null });
});

test('invitations: no leads until accepted, and none after declining', async () => {
  const member = (name: string) => ({ id: app.users[name]!.id });
  await app.m.routing.updateRoster(app.as('Ada'), '1', { members: [member('Abel'), member('Cato')], invite: true });
  const names = async (n: number) => {
    const got: string[] = [];
    for (let at = 0; at < n; at += 1)
      got.push(
        (await app.arrives({ emails: [`inv${Math.floor(performance.now() * 1e3)}-${at}@invited.example`] })).routing.agent!.name,
      );
    return got;
  };
  expect(await names(2)).toEqual(['Abel Test', 'Abel Test']);
  await app.tellAgents();
  expect(app.received('email').map(({ to }) => to)).toEqual([app.users.Cato!.email]);
  await expect(app.m.routing.answerInvitation(app.as('Abel'), '1', true)).rejects.toMatchObject({ code: 'not_found' });
  await app.m.routing.answerInvitation(app.as('Cato'), '1', true);
  expect(await names(2)).toEqual(['Cato Test', 'Abel Test']);
  await app.m.routing.answerInvitation(app.as('Cato'), '1', false);
  expect(await names(2)).toEqual(['Abel Test', 'Abel Test']);
});

test('a roster that is used cannot be deleted, and one that goes round in a circle is not kept', async () => {
  const south = await newRoster('South', ['Caspian']);
  const then = (id: string, roster_id: string) =>
    app.m.routing.updateRoster(app.as('Ada'), id, { then: { to: 'roster', roster_id } });
  await then('1', south);
  await expect(then(south, '1')).rejects.toMatchObject({
    facts: { fields: [expect.objectContaining({ message: expect.stringContaining('Coast agents → South → Coast agents') })] },
  });
  await expect(app.m.routing.deleteRoster(app.as('Ada'), south)).rejects.toMatchObject({
    code: 'conflict',
    message: 'Coast agents passes to this roster. Change that first; nothing was deleted.',
  });
  await expect(app.m.routing.deleteRoster(app.as('Ada'), '1')).rejects.toMatchObject({ code: 'conflict' });
});

describe('handing on', () => {
  const owners = async () =>
    Object.fromEntries(
      (
        await app.db.rows<{ name: string; n: number }>(
          `select u.first_name as name, count(*)::int as n from contacts c join users u on u.id = c.owner_id group by 1 order by 1`,
        )
      ).map(({ name, n }) => [name, n]),
    );
  const perform = async (id: string) => app.m.changes.performChange(id, () => true);
  const leaves = async (name: string, change: object) => {
    const { id } = await app.m.changes.deactivateUser(app.as('Ada'), app.users[name]!.id, change as never);
    await perform(id);
    return id;
  };

  test('somebody leaves: they come in no more, their people go by the ladder to those who are here, and undone they are theirs again', async () => {
    const south = await newRoster('South', ['Caspian']);
    await save([
      { tree: about('Petrel Point'), roster_id: south },
      { id: '1', tree: BUYERS, roster_id: '1' },
    ]);
    for (let n = 0; n < 9; n += 1)
      await app.arrives({ emails: [`l${n}@left.example`], place: { city: n % 3 ? 'Saltmarsh' : 'Petrel Point' } });
    await app.m.contacts.updateContact(app.as('Ada'), '1', { owner_id: app.users.Abel!.id });
    const before = await owners();
    const id = await leaves('Abel', { kind: 'hand_on', roster_id: null });
    const after = await owners();
    expect(after.Abel).toBeUndefined();
    expect(after.Caspian).toBeGreaterThan(before.Caspian!);
    expect(await app.m.accounts.findUser(app.users.Abel!.id)).toBeNull();
    const story = await app.story('1');
    expect(story.at(-1)).toContain('reassigned by the ladder');
    await app.m.changes.undoChange(app.as('Ada'), id);
    await app.m.changes.performUndo(id, () => true);
    expect(await owners()).toEqual(before);
    await app.m.changes.reactivateUser(app.as('Ada'), app.users.Abel!.id);
    expect(await app.m.accounts.findUser(app.users.Abel!.id)).not.toBeNull();
  });

  test('deleted in the middle of their turn: what was offered goes to the next at once', async () => {
    await app.m.routing.updateRoster(app.as('Ada'), '1', { hand_out: 'turns', window_seconds: 3_600 });
    const { contact } = await app.arrives({ emails: ['mid@turn.example'] });
    await leaves('Abel', { kind: 'owner', owner_id: app.users.Brisa!.id });
    const [offer] = await app.m.routing.listMyOffers('1', app.users.Brisa!.id);
    expect(offer).toBeDefined();
    await app.m.routing.acceptOffer(app.as('Brisa'), offer!.id);
    expect((await app.contact(contact.id)).owner!.name).toBe('Brisa Test');
  });

  test('many to a roster, in turn and by shares, never back to whom they come from; also those who are just being offered', async () => {
    for (let n = 0; n < 6; n += 1) await app.arrives({ emails: [`t${n}@turns.example`] }, { by: 'Abel' });
    const { id } = await app.m.changes.createChange(app.as('Ada'), {
      selection: { question: {} },
      change: { kind: 'hand_on', roster_id: '1' },
    });
    await perform(id);
    expect(await owners()).toEqual({ Brisa: 3, Caspian: 3 });
  });

  test('nobody says so of themselves; somebody has to run the office; an agent may not', async () => {
    const change = { kind: 'hand_on', roster_id: null } as const;
    await expect(app.m.changes.deactivateUser(app.as('Ada'), app.users.Ada!.id, change)).rejects.toMatchObject({
      code: 'conflict',
    });
    await expect(
      app.m.changes.deactivateUser(app.as('Ada'), app.users.Abel!.id, { kind: 'owner', owner_id: app.users.Abel!.id }),
    ).rejects.toMatchObject({ code: 'input_invalid' });
    await expect(app.m.changes.createChange(app.as('Abel'), { selection: { question: {} }, change })).rejects.toMatchObject({
      code: 'not_allowed',
    });
  });
});
