/** The people of a brokerage: roles of its own, teams and who leads them, profiles, time off from a day on, lenders at a contact. */
import { hasRight, scopeFor, type User } from '@/core/accounts';
import { DAY } from '@/core/shared';
import { appForEach } from '../harness/each';
import { MONDAY_MORNING } from '../harness/test-app';

const app = appForEach();
const accounts = () => app().m.accounts;
const ada = () => app().as('Ada');
const user = (name: string) => app().users[name]!;
const now = async (name: string): Promise<User> => (await accounts().findUser(user(name).id))!;
const codeOf = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (error: { code?: string; facts?: { fields?: { field: string }[] } }) => error.facts?.fields?.[0]?.field ?? String(error.code),
  );
const contactOf = async (name: string, first: string): Promise<string> => {
  const row = await app().db.first<{ id: string }>(
    `insert into contacts (account_id, owner_id, first_name, time_zone, stage_since, created_at, updated_at) values (1, $1, $2, 'UTC', now(), now(), now()) returning id`,
    [user(name).id, first],
  );
  await app().completePeople();
  return row!.id;
};

describe('roles of one’s own', () => {
  test('whoever has one may do more here and less there, from the next request on; taken off, they are as before', async () => {
    const role = await accounts().createCustomRole(ada(), {
      name: 'Team lead',
      base: 'agent',
      rights: ['contacts:write', 'contacts:assign'],
    });
    await accounts().updateUser(ada(), user('Abel').id, { custom_role_id: role.id });
    const abel = await now('Abel');
    expect([hasRight(abel, 'contacts:assign'), hasRight(abel, 'contacts:export'), hasRight(abel, 'contacts:read')]).toEqual([
      true,
      false,
      true,
    ]);
    const mine = await contactOf('Abel', 'Friend');
    const assign = { selection: { ids: [mine] }, change: { kind: 'owner' as const, owner_id: user('Brisa').id } };
    expect(await codeOf(app().m.changes.previewChange({ kind: 'user', user: abel }, assign))).toBe('done');
    expect(await codeOf(app().m.changes.previewChange(app().as('Brisa'), assign))).toBe('not_allowed');
    await accounts().updateCustomRole(ada(), role.id, { rights: ['contacts:write'] });
    expect(hasRight(await now('Abel'), 'contacts:assign')).toBe(false);
    expect(await codeOf(accounts().deleteCustomRole(ada(), role.id))).toBe('conflict');
    await accounts().updateUser(ada(), user('Abel').id, { custom_role_id: null });
    await accounts().deleteCustomRole(ada(), role.id);
    expect((await now('Abel')).rights).toBeUndefined();
  });

  test('it must begin as the role they have; another role takes it off; its name is taken once; nobody else’s is given', async () => {
    const role = await accounts().createCustomRole(ada(), { name: 'Inside sales', base: 'caller', rights: [] });
    expect(await codeOf(accounts().createCustomRole(ada(), { name: 'inside SALES', base: 'agent', rights: [] }))).toBe('name');
    expect(await codeOf(accounts().updateUser(ada(), user('Abel').id, { custom_role_id: role.id }))).toBe('custom_role_id');
    await accounts().updateUser(ada(), user('Abel').id, { role: 'caller', custom_role_id: role.id });
    expect((await now('Abel')).rights).toEqual([]);
    await accounts().updateUser(ada(), user('Abel').id, { role: 'agent' });
    expect((await now('Abel')).rights).toBeUndefined();
    expect(await codeOf(accounts().updateUser(ada(), user('Abel').id, { custom_role_id: '999' }))).toBe('custom_role_id');
  });
});

test('who leads a team sees the contacts of those on it, and of nobody else; without the team nothing of it is left', async () => {
  const [theirs, others] = [await contactOf('Brisa', 'On the team'), await contactOf('Caspian', 'Not on it')];
  const team = await accounts().createTeam(ada(), { name: 'Shore', lead_id: user('Abel').id, member_ids: [user('Brisa').id] });
  const sees = async () =>
    (await app().m.contacts.listContacts(scopeFor({ kind: 'user', user: await now('Abel') }), { limit: 20 })).items.map(
      ({ id }) => id,
    );
  expect(await sees()).toContain(theirs);
  expect(await sees()).not.toContain(others);
  expect(scopeFor({ kind: 'user', user: await now('Brisa') }).team).toEqual([]);
  await accounts().updateTeam(ada(), team.id, { name: 'Shore', lead_id: user('Abel').id, member_ids: [user('Caspian').id] });
  expect(await sees()).toEqual(expect.arrayContaining([others]));
  expect(await sees()).not.toContain(theirs);
  expect(await codeOf(accounts().createTeam(ada(), { name: 'shore', lead_id: null, member_ids: [] }))).toBe('name');
  await accounts().deleteTeam(ada(), team.id);
  expect(await sees()).not.toContain(others);
});

test('a profile is one’s own to change, and the office’s; nobody else’s', async () => {
  const changed = await accounts().updateProfile(app().as('Abel'), user('Abel').id, {
    title: 'Broker Associate',
    licenses: [{ state: 'WA', number: '12-345' }],
    languages: ['English', 'Spanish'],
    phone: '+15645550177',
  });
  expect(changed).toMatchObject({ title: 'Broker Associate', phone: '+15645550177', told_by: ['email'], hours: [] });
  await accounts().updateProfile(ada(), user('Abel').id, { signature: 'Abel' });
  expect(await accounts().readProfile(app().as('Abel'), user('Abel').id)).toMatchObject({
    signature: 'Abel',
    languages: ['English', 'Spanish'],
  });
  expect(await codeOf(accounts().updateProfile(app().as('Brisa'), user('Abel').id, { title: 'x' }))).toBe('not_allowed');
  expect(await codeOf(accounts().readProfile(app().as('Brisa'), user('Abel').id))).toBe('not_allowed');
  expect(await codeOf(accounts().updateProfile(app().as('Abel'), user('Abel').id, { photo_id: '999' }))).toBe('photo_id');
});

test('an email written by hand ends with the signature of whoever wrote it, once; nobody else’s, and no text does', async () => {
  await accounts().updateProfile(ada(), user('Abel').id, { signature: 'Abel Test\nCoast desk' });
  const { contact } = await app().arrives(
    {
      first_name: 'Oda',
      emails: ['oda@x.example'],
      phones: ['5645550101'],
      permissions: { text: true },
    },
    { by: 'Abel' },
  );
  const { sendMessage, mergeFieldsOf } = app().m.messages;
  await sendMessage(app().as('Abel'), contact.id, { channel: 'email', text: 'Tea on Sunday?' });
  await sendMessage(app().as('Abel'), contact.id, { channel: 'email', text: 'Yes.\n\nAbel Test\nCoast desk' });
  await sendMessage(app().as('Abel'), contact.id, { channel: 'email', text: 'Abel Test\nCoast desk, that’s me.' });
  await sendMessage(ada(), contact.id, { channel: 'email', text: 'From the office' });
  await sendMessage(app().as('Abel'), contact.id, { channel: 'text', text: 'Tea?' });
  const sent = await app().db.rows<{ text: string }>(
    `select payload ->> 'text' as text from outbox where contact_id = $1 and not automatic order by id`,
    [contact.id],
  );
  expect(sent.map(({ text }) => text)).toEqual([
    'Tea on Sunday?\n\nAbel Test\nCoast desk',
    'Yes.\n\nAbel Test\nCoast desk',
    'Abel Test\nCoast desk, that’s me.\n\nAbel Test\nCoast desk',
    'From the office',
    'Tea?',
  ]);
  expect((await mergeFieldsOf(app().as('Abel'), contact.id)).signature).toBe('Abel Test\nCoast desk');
  expect((await mergeFieldsOf(ada(), contact.id)).fields.agent_signature).toBe('Abel Test\nCoast desk');
});

test('a roster goes by the hours of the profile until it has others for somebody', async () => {
  const sundays = [{ days: [7], from: '09:00', to: '12:00' }];
  await accounts().updateProfile(app().as('Abel'), user('Abel').id, { hours: sundays });
  const { id, members } = (await app().m.routing.readLadder(app().scope)).rosters[0]!;
  expect(members.find(({ name }) => name === 'Abel Test')).toMatchObject({ off: 'Abel Test is off right now', hours: [] });
  await app().m.routing.updateRoster(ada(), id, {
    members: members.map((one) => ({ id: one.id, weight: one.weight, hours: [{ days: [1], from: '00:00', to: '23:59' }] })),
  });
  const after = (await app().m.routing.readLadder(app().scope)).rosters[0]!.members;
  expect(after.find(({ name }) => name === 'Abel Test')).toMatchObject({ off: null });
});

test('time off begins on its first day: until then leads come, and after its last day they come again', async () => {
  const day = (n: number) => new Date(MONDAY_MORNING.getTime() + n * DAY);
  await app().m.routing.setUserAway(ada(), user('Abel').id, { from: day(1), until: day(3) });
  const away = async () =>
    (await app().m.routing.readLadder(app().scope)).rosters[0]!.members.find(({ id }) => id === user('Abel').id)!.away;
  expect(await away()).toBe(false);
  await app().advance('P1DT1H');
  expect(await away()).toBe(true);
  await app().advance('P2D');
  expect(await away()).toBe(false);
  expect(await codeOf(app().m.routing.setUserAway(ada(), user('Abel').id, { from: day(3), until: day(1) }))).toBe('until');
});

describe('lenders', () => {
  const lender = async (email: string, by: string): Promise<string> =>
    (await app().db.first<{ id: string }>(
      `insert into users (account_id, role, first_name, last_name, email, phone, time_zone, password_hash, told_by)
       values (1, 'lender', 'Hollis', 'Test', $1, '+15645550188', 'America/Los_Angeles', 'none', array[$2]) returning id`,
      [email, by],
    ))!.id;

  test('attached by hand they are told as they chose, once; changed and taken off, it stands in the timeline', async () => {
    const [mailed, texted] = [await lender('one@lend.example', 'email'), await lender('two@lend.example', 'text')];
    const id = await contactOf('Abel', 'Oda');
    await app().m.routing.setLenders(app().as('Abel'), id, [mailed]);
    await app().m.routing.setLenders(app().as('Abel'), id, [mailed]);
    await app().m.routing.setLenders(app().as('Abel'), id, [texted]);
    const told = await app().db.rows('select user_id, channel, subject from agent_alerts order by id');
    expect(told).toEqual([
      { user_id: mailed, channel: 'email', subject: 'A client for you: Oda' },
      { user_id: texted, channel: 'text', subject: 'A client for you: Oda' },
    ]);
    const { lenders } = await app().m.contacts.findContactWithPermissions(app().scope, id);
    expect(lenders.map((one) => one.id)).toEqual([texted]);
    await app().m.routing.setLenders(app().as('Abel'), id, []);
    const lines = await app().db.rows<{ text: string }>(
      `select data->>'text' as text from activities where kind = 'changed' order by id`,
    );
    expect(lines.map(({ text }) => text)).toEqual(['Lender: Hollis Test', 'Lender: Hollis Test', 'No lender any more']);
    expect(await codeOf(app().m.routing.setLenders(app().as('Abel'), id, [user('Brisa').id]))).toBe('lender_ids');
    expect(await codeOf(app().m.routing.setLenders(app().as('Brisa'), id, [mailed]))).toBe('not_found');
  });

  test('a roster of lenders serves as lenders alone: no rung hands leads to it, and none mixes them with agents', async () => {
    const one = await lender('one@lend.example', 'email');
    const routing = app().m.routing;
    const member = (id: string) => ({ id, weight: 1, daily_cap: null, open_cap: null, hours: [], paused: false });
    const roster = { name: 'Lenders', safety_net_id: user('Ada').id };
    expect(await codeOf(routing.createRoster(ada(), { ...roster, members: [member(one), member(user('Abel').id)] }))).toBe(
      'members',
    );
    const { id } = await routing.createRoster(ada(), { ...roster, members: [member(one)] });
    const save = async (rung: object) => {
      const { version } = await routing.readLadder(app().scope);
      return codeOf(routing.saveLadder(ada(), version, { rungs: [{ tree: { all: [] }, ...rung }] }));
    };
    expect(await save({ roster_id: id })).toBe('rungs.0.roster_id');
    expect(await save({ roster_id: '1', lender_roster_id: '1' })).toBe('rungs.0.lender_roster_id');
    expect(await save({ roster_id: '1', lender_roster_id: id })).toBe('done');
    const { contact } = await app().arrives({ emails: ['oda@lend.example'] });
    const { lenders } = await app().m.contacts.findContactWithPermissions(app().scope, contact.id);
    expect(lenders.map((who) => who.id)).toEqual([one]);
    expect((await app().db.rows('select 1 from agent_alerts where user_id = $1', [one])).length).toBe(1);
  });
});

test('the audit is searched by who, what and whom, and names the key that acted', async () => {
  const { key } = await accounts().createKey(user('Ada'), 'Website', ['setup:write', 'routing:write']);
  const program = await accounts().principalOfKey(key);
  await accounts().createTeam(program, { name: 'Harbor', lead_id: null, member_ids: [] });
  const find = async (q: string) =>
    (await accounts().listAudit('1', { limit: 9, q })).items.map(({ by, key: named, about }) => [by, named, about]);
  expect(await find('website team')).toEqual([[null, 'Website', 'Harbor']]);
  expect(await find('harbor')).toHaveLength(1);
  expect(await find('nothing of the kind')).toEqual([]);
});
