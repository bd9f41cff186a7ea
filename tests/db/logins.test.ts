/** Wrong logins: whoever guesses waits longer each time, and nobody is locked out by what others try. */
import { appForEach } from '../harness/each';

const app = appForEach();
const EMAIL = 'abel@house.example';
const PASSWORD = 'a long enough password';

beforeEach(async () => {
  const { hashPassword } = app().m.accounts;
  await app().db.run('update users set password_hash = $1 where email = $2', [await hashPassword(PASSWORD), EMAIL]);
});
const tries = (password: string, from: string, email = EMAIL): Promise<string> =>
  app()
    .m.accounts.logIn(email, password, { from })
    .then(
      () => 'in',
      (error: { code?: string; facts?: { retryAfterSeconds?: number } }) =>
        `${error.code} ${error.facts?.retryAfterSeconds ?? ''}`.trim(),
    );

test('a guesser waits, also with the right password; the owner logs in from elsewhere all the while', async () => {
  for (let n = 0; n < 5; n += 1) expect(await tries(`wrong ${n}`, '10.0.0.9')).toBe('login_wrong');
  expect(await tries(PASSWORD, '10.0.0.9')).toMatch(/^too_many [12]$/);
  const told = async () => (await app().m.accounts.listAudit('1', { limit: 9, q: 'refused login abel' })).items.length;
  for (let n = 0; n < 20 && (await told()) < 5; n += 1) await new Promise((resolve) => setTimeout(resolve, 100));
  expect(await told()).toBe(5);
  await app().db.run(`update login_failures set failures = 500 where bucket like 'account:%'`);
  expect(await tries(PASSWORD, '10.0.0.1')).toBe('in');
  await app().db.run(`update login_failures set last_at = last_at - interval '10 seconds'`);
  expect(await tries(PASSWORD, '10.0.0.9')).toBe('in');
});

test('one address that tries many accounts waits as well', async () => {
  for (let n = 0; n < 30; n += 1) await tries('wrong', '10.0.0.9', `nobody${n}@house.example`);
  expect(await tries('wrong', '10.0.0.9', 'nobody@house.example')).toMatch(/^too_many/);
  expect(await tries(PASSWORD, '10.0.0.8')).toBe('in');
});
