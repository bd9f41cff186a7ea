/** Sessions and passwords: where one is logged in, how that ends, and that a new password ends all of it and is told to its owner. */
import { appForEach } from '../harness/each';

const app = appForEach();
const EMAIL = 'abel@house.example';
const PASSWORD = 'a long enough password';
const NEXT = 'gulls over cold porridge';
const LAPTOP = {
  from: '10.0.0.4',
  agent: 'Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/131.0.0.0 Safari/537.36',
};
const PHONE = {
  from: '10.0.7.7',
  agent:
    'Mozilla/5.0 (iPhone; CPU iPhone OS 18_1 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.1 Mobile/15E148 Safari/604.1',
};
const accounts = () => app().m.accounts;
const abel = () => app().users.Abel!;

beforeEach(async () => {
  await app().db.run('update users set password_hash = $1 where email = $2', [await accounts().hashPassword(PASSWORD), EMAIL]);
});
const logIn = async (visitor = LAPTOP) => (await accounts().logIn(EMAIL, PASSWORD, visitor)).token;
const isIn = async (token: string) => (await accounts().personOfSession(token))?.email === EMAIL;
const audit = async () =>
  (await app().db.rows<{ what: string }>('select what from audit where user_id = $1 order by id', [abel().id])).map(
    ({ what }) => what,
  );
const change = (input: { current_password: string; new_password: string }, visitor = LAPTOP) =>
  accounts().changePassword(abel(), input, visitor);
const refusedAt = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (error: { code?: string; facts?: { fields?: { field: string; message: string }[] } }) =>
      error.facts?.fields?.map(({ field, message }) => `${field}: ${message}`).join() ?? String(error.code),
  );

test('one sees in which browsers one is logged in, this one first, and logs any of them out', async () => {
  const [laptop, phone] = [await logIn(), await logIn(PHONE)];
  const listed = await accounts().listSessions(abel(), laptop);
  expect(listed).toMatchObject([
    { device: 'Chrome on Windows', from: '10.0.0.4', current: true },
    { device: 'Safari on iPhone', from: '10.0.7.7', current: false },
  ]);
  await accounts().endSession(abel(), listed[1]!.id);
  expect([await isIn(laptop), await isIn(phone)]).toEqual([true, false]);
});

test('nobody sees or ends the session of somebody else', async () => {
  const token = await logIn();
  const [session] = await accounts().listSessions(abel(), token);
  expect(await accounts().listSessions(app().users.Ada!, null)).toEqual([]);
  await expect(accounts().endSession(app().users.Ada!, session!.id)).rejects.toMatchObject({ code: 'not_found' });
  expect(await isIn(token)).toBe(true);
});

test('one logs out everywhere else, and stays where one is', async () => {
  const [laptop, phone, third] = [await logIn(), await logIn(PHONE), await logIn(PHONE)];
  expect(await accounts().endOtherSessions(abel(), laptop)).toEqual({ ended: 2 });
  expect([await isIn(laptop), await isIn(phone), await isIn(third)]).toEqual([true, false, false]);
  expect(await audit()).toContain('logged out everywhere else');
});

test('a login takes the place of the session that its browser came with', async () => {
  const first = await logIn();
  const { token: second } = await accounts().logIn(EMAIL, PASSWORD, LAPTOP, first);
  expect([await isIn(first), await isIn(second)]).toEqual([false, true]);
});

test.each([
  ['a week unused', `last_seen_at = clock_timestamp() - interval '7 days 1 second'`, false],
  ['almost a week unused', `last_seen_at = clock_timestamp() - interval '6 days 23 hours'`, true],
  ['a month old', `expires_at = clock_timestamp() - interval '1 second'`, false],
])('a session %s', async (_, was, lives) => {
  const token = await logIn();
  await app().db.run(`update sessions set ${was}`);
  expect(await accounts().listSessions(abel(), token)).toHaveLength(lives ? 1 : 0);
  expect(await isIn(token)).toBe(lives);
});

test('being used keeps a session, and is written seldom', async () => {
  const token = await logIn();
  const seen = async () =>
    (await app().db.first<{ last_seen_at: Date }>('select last_seen_at from sessions'))!.last_seen_at.getTime();
  const first = await seen();
  await isIn(token);
  expect(await seen()).toBe(first);
  await app().db.run(`update sessions set last_seen_at = clock_timestamp() - interval '6 days'`);
  await isIn(token);
  expect(Math.abs((await seen()) - Date.now())).toBeLessThan(60_000);
});

test('a new password ends every session but gives the browser that asks a new one', async () => {
  const [laptop, phone] = [await logIn(), await logIn(PHONE)];
  const next = await change({ current_password: PASSWORD, new_password: NEXT });
  expect([await isIn(laptop), await isIn(phone), await isIn(next)]).toEqual([false, false, true]);
  await expect(accounts().logIn(EMAIL, PASSWORD, LAPTOP)).rejects.toMatchObject({ code: 'login_wrong' });
  expect(await isIn((await accounts().logIn(EMAIL, NEXT, LAPTOP)).token)).toBe(true);
  expect(await audit()).toContain('changed their password');
});

test('its owner is told once, where and by what, and the mail holds no password', async () => {
  await change({ current_password: PASSWORD, new_password: NEXT }, PHONE);
  const { mailUser } = await import('../../src/worker/accounts/login-mail');
  const [job] = await app().db.rows<{ payload: { mail: { key: string; userId: string; subject: string; text: string } } }>(
    `select payload from graphile_worker._private_jobs j join graphile_worker._private_tasks t on t.id = j.task_id where t.identifier = 'accounts.mail'`,
  );
  await mailUser(job!.payload, app().outside);
  await mailUser(job!.payload, app().outside);
  const mails = app().received('email');
  expect(mails).toHaveLength(1);
  const told = JSON.stringify(mails[0]);
  expect(told).toContain('Your password was changed');
  expect(told).toContain('Safari on iPhone');
  expect(told).not.toContain(PASSWORD);
  expect(told).not.toContain(NEXT);
});

test.each([
  [{ current_password: 'not it', new_password: NEXT }, 'current_password: That isn’t your current password'],
  [{ current_password: PASSWORD, new_password: PASSWORD }, 'new_password: That’s the one you have now'],
  [{ current_password: PASSWORD, new_password: 'short' }, 'new_password: Use at least 10 characters'],
  [{ current_password: PASSWORD, new_password: 'password123' }, 'new_password: That’s one of the first passwords people try'],
  [
    { current_password: PASSWORD, new_password: 'abel@house.example' },
    'new_password: That’s one of the first passwords people try',
  ],
])('what may not be is refused at its field, and nothing ends: %j', async (input, why) => {
  const token = await logIn();
  expect(await refusedAt(change(input))).toContain(why);
  expect(await isIn(token)).toBe(true);
});

test('whoever sits at an open page guesses the password no faster than at the login', async () => {
  for (let n = 0; n < 5; n += 1) await refusedAt(change({ current_password: `guess ${n}`, new_password: NEXT }));
  expect(await refusedAt(change({ current_password: PASSWORD, new_password: NEXT }))).toBe('too_many');
  expect(await refusedAt(change({ current_password: PASSWORD, new_password: NEXT }, PHONE))).toBe('done');
});
