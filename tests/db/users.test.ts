/** Who works here changes: roles, offices, ownership; keys have somebody who answers for them, and a time. */
import { appForEach } from '../harness/each';

const app = appForEach();
const accounts = () => app().m.accounts;
const user = (first: string) => app().users[first]!;
const codeOf = (error: { code?: string; facts?: { fields?: { message: string }[] } }) =>
  error.facts?.fields?.[0]?.message ?? error.code;
const roleOf = async (first: string) => (await accounts().findUser(user(first).id))?.role;
const changes = (by: string, first: string, patch: object) =>
  accounts()
    .updateUser(app().as(by), user(first).id, patch)
    .then(() => 'done', codeOf);
const makeOwner = async (first: string) => {
  await app().db.run(`update users set role = 'owner' where id = $1`, [user(first).id]);
  user(first).role = 'owner';
};

test('an admin changes roles of others, at once and told by mail, and never their own', async () => {
  expect(await changes('Ada', 'Abel', { role: 'caller' })).toBe('done');
  expect(await roleOf('Abel')).toBe('caller');
  expect(await changes('Ada', 'Ada', { role: 'agent' })).toBe('conflict');
  expect(await changes('Ada', 'Abel', { role: 'owner' })).toMatch(/transfer ownership/);
  expect(await changes('Ada', 'Abel', { role: 'lender' })).toMatch(/Lenders stay lenders/);
  expect(await changes('Ada', 'Abel', { office_id: '999' })).toBe('Choose an office');
  const jobs = await app().db.rows<{ payload: { mail: { userId: string; text: string } } }>(
    `select payload from graphile_worker._private_jobs j join graphile_worker._private_tasks t on t.id = j.task_id where t.identifier = 'accounts.mail'`,
  );
  expect(jobs.map(({ payload }) => payload.mail)).toMatchObject([
    { userId: user('Abel').id, text: expect.stringMatching(/role is now caller/) },
  ]);
});

test('only the owner hands the brokerage on, to an admin, once', async () => {
  await makeOwner('Ada');
  const hands = (by: string, to: string) =>
    accounts()
      .transferOwnership(app().as(by), user(to).id)
      .then(() => 'done', codeOf);
  expect(await hands('Abel', 'Ada')).toBe('not_allowed');
  expect(await hands('Ada', 'Abel')).toBe('Make them an admin first');
  await changes('Ada', 'Abel', { role: 'admin' });
  const done = await Promise.all([hands('Ada', 'Abel'), hands('Ada', 'Abel')]);
  expect(done.filter((one) => one === 'done')).toHaveLength(1);
  expect([await roleOf('Ada'), await roleOf('Abel')]).toEqual(['admin', 'owner']);
  expect(await changes('Ada', 'Abel', { role: 'agent' })).toMatch(/when they transfer/);
});

test('the owner is not deactivated; whoever leaves leaves their keys to somebody who stays', async () => {
  const { changes: rooms } = app().m;
  const leaves = (by: string, first: string) =>
    rooms.deactivateUser(app().as(by), user(first).id, { kind: 'hand_on', roster_id: '1' }).then(() => 'done', codeOf);
  await changes('Ada', 'Abel', { role: 'admin' });
  const { id, key } = await accounts().createKey(user('Abel'), 'Website', ['inquiries:write']);
  await makeOwner('Ada');
  user('Abel').role = 'admin';
  expect(await leaves('Abel', 'Ada')).toBe('conflict');
  const session = await accounts().logIn(user('Abel').email, 'none', { from: '10.0.0.1' }).catch(codeOf);
  expect(session).toBe('login_wrong');
  expect(await leaves('Ada', 'Abel')).toBe('done');
  expect(await accounts().findUser(user('Abel').id)).toBeNull();
  expect(await accounts().principalOfKey(key)).toMatchObject({ keyId: id });
  expect((await accounts().listKeys('1')).find((one) => one.id === id)?.owner).toBe(
    `${user('Ada').firstName} ${user('Ada').lastName}`.trim(),
  );
});

test('a key made for a time ends with it; its successor has the same time', async () => {
  const DAY = 86_400_000;
  const { id, ends_at } = await accounts().createKey(user('Ada'), 'Report', ['contacts:read'], null, 30);
  expect(ends_at!.getTime() - Date.now()).toBeGreaterThan(29.9 * DAY);
  const next = await accounts().rotateKey(user('Ada'), id, 24);
  expect(next.ends_at!.getTime() - Date.now()).toBeGreaterThan(29.9 * DAY);
  const keys = await accounts().listKeys('1');
  expect(keys.find((key) => key.id === id)).toMatchObject({ replaced: true });
  expect(keys.find((key) => key.id === id)!.ends_at!.getTime() - Date.now()).toBeLessThan(1.1 * DAY);
  await app().db.run(`update api_keys set ends_at = clock_timestamp() - interval '1 second' where id = $1`, [next.id]);
  await expect(accounts().principalOfKey(next.key)).rejects.toMatchObject({ code: 'key_invalid' });
});

test('an office is named once, and stays while somebody works there', async () => {
  const tries = (work: Promise<unknown>) => work.then(() => 'done', codeOf);
  const ada = app().as('Ada');
  const { id } = await accounts().createOffice(ada, 'Harbor');
  expect(await tries(accounts().createOffice(ada, 'harbor'))).toMatch(/already/);
  expect(await changes('Ada', 'Abel', { office_id: id })).toBe('done');
  expect(await tries(accounts().removeOffice(ada, id))).toBe('conflict');
  expect(await tries(accounts().renameOffice(ada, id, 'Quay'))).toBe('done');
  expect((await accounts().listOffices('1')).find((office) => office.id === id)).toEqual({ id, name: 'Quay', users: 1 });
  expect(await changes('Ada', 'Abel', { office_id: null })).toBe('done');
  expect(await tries(accounts().removeOffice(ada, id))).toBe('done');
  expect(await tries(accounts().removeOffice(ada, id))).toBe('not_found');
  expect(await tries(accounts().renameOffice(ada, id, 'Gone'))).toBe('not_found');
});

test('a refused request is logged, with who asked for what', async () => {
  const { key, id } = await accounts().createKey(user('Ada'), 'Report', ['contacts:read']);
  const { log } = await import('@/app/_http/log');
  const warned = jest.spyOn(log, 'warn').mockImplementation(() => {});
  const { GET } = await import('@/app/api/v1/audit/route');
  const request = new Request('http://localhost/api/v1/audit?q=x', { headers: { authorization: `Bearer ${key}` } });
  expect((await GET(request, { params: Promise.resolve({}) })).status).toBe(403);
  expect(warned.mock.calls).toEqual([[{ code: 'scope_missing', method: 'GET', path: '/api/v1/audit', key_id: id }, 'refused']]);
});
