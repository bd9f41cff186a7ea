/** A forgotten password: its link goes to its owner alone, works once and for half an hour, and ends every session. */
import { mailReset } from '@/worker/accounts/login-mail';
import { appForEach } from '../harness/each';

const app = appForEach();
const EMAIL = 'abel@house.example';
const OLD = 'a long enough password';
const NEXT = 'gulls over cold porridge';
const HERE = { from: '10.0.0.4', agent: '' };
const accounts = () => app().m.accounts;

beforeEach(async () => {
  await app().db.run('update users set password_hash = $1 where email = $2', [await accounts().hashPassword(OLD), EMAIL]);
});
const jobs = () =>
  app().db.rows<{ payload: { reset: { key: string; email: string } } }>(
    `select payload from graphile_worker._private_jobs j join graphile_worker._private_tasks t on t.id = j.task_id where t.identifier = 'accounts.reset' order by j.id`,
  );
/** Asks, and lets the worker mail. @returns the tokens of all links that were mailed until now */
async function mailed(email = EMAIL, from = HERE.from): Promise<string[]> {
  await accounts().askForReset(email, from);
  await mailReset((await jobs()).at(-1)!.payload, app().outside);
  return app()
    .received('email')
    .flatMap(({ body }) => /\/reset\/(\S+)/.exec(body)?.[1] ?? []);
}
const logsIn = (password: string) =>
  accounts()
    .logIn(EMAIL, password, HERE)
    .then(
      () => true,
      () => false,
    );
const tries = (token: string, password = NEXT) =>
  accounts()
    .resetPassword(token, password, HERE)
    .then(
      () => 'done',
      (error: { code?: string }) => error.code,
    );

test('the link goes to its owner, sets the password once, and logs out everywhere', async () => {
  const { token: session } = await accounts().logIn(EMAIL, OLD, HERE);
  const [token] = await mailed(' ABEL@house.example ');
  expect(
    app()
      .received('email')
      .map(({ to, subject }) => [to, subject]),
  ).toEqual([[EMAIL, 'Choose a new password']]);
  expect((await accounts().findReset(token!))?.email).toBe(EMAIL);
  expect(await tries(token!)).toBe('done');
  expect(await tries(token!, 'another one altogether')).toBe('not_found');
  expect([await logsIn(OLD), await logsIn(NEXT)]).toEqual([false, true]);
  expect(await accounts().personOfSession(session)).toBeNull();
});

test('two at once with one link: one of them sets it', async () => {
  const [token] = await mailed();
  const done = await Promise.all([tries(token!, NEXT), tries(token!, 'lanterns beside the quay')]);
  expect(done.sort()).toEqual(['done', 'not_found']);
});

test('an address without a login gets no mail, and whoever asks gets the same answer', async () => {
  expect(await mailed('nobody@house.example')).toEqual([]);
  expect(app().received('email')).toEqual([]);
  expect(await jobs()).toHaveLength(1);
});

test('who no longer works here gets no link, and one that was mailed before no longer works', async () => {
  const [token] = await mailed();
  await app().db.run('update users set active = false where email = $1', [EMAIL]);
  expect(await accounts().findReset(token!)).toBeNull();
  expect(await tries(token!)).toBe('not_found');
  expect(await mailed()).toHaveLength(1);
});

test('after half an hour it is too old', async () => {
  const [token] = await mailed();
  await app().db.run(`update password_resets set ends_at = clock_timestamp() - interval '1 second'`);
  expect(await tries(token!)).toBe('not_found');
  await accounts().sweepResets();
  expect(await app().db.rows('select 1 from password_resets')).toEqual([]);
});

test('a password that may not be one uses nothing up', async () => {
  const [token] = await mailed();
  expect(await tries(token!, 'short')).toBe('input_invalid');
  expect(await tries(token!, 'abel@house.example')).toBe('input_invalid');
  expect(await tries(token!)).toBe('done');
});

test('a link that was used ends those that were mailed beside it', async () => {
  const [first, second] = [...(await mailed()), ...(await mailed())].slice(-2);
  expect(first).not.toBe(second);
  expect(await tries(second!)).toBe('done');
  expect(await tries(first!)).toBe('not_found');
});

test('nobody is flooded with links, and nobody keeps others from having one', async () => {
  for (let n = 0; n < 8; n += 1) await mailed(EMAIL, `10.0.1.${n}`);
  expect(app().received('email')).toHaveLength(5);
  for (let n = 0; n < 40; n += 1)
    await accounts()
      .askForReset(`nobody${n}@house.example`, '10.0.0.66')
      .catch(() => undefined);
  await expect(accounts().askForReset(EMAIL, '10.0.0.66')).rejects.toMatchObject({ code: 'too_many' });
  await accounts().askForReset(EMAIL, '10.0.0.67');
});

test('its secret stands nowhere but in the mail', async () => {
  const [token] = await mailed();
  const rows = await app().db.rows('select token_hash from password_resets');
  expect(JSON.stringify([rows, await jobs()])).not.toContain(token!);
});

test('what is no token is no link', async () => {
  for (const token of ['', 'x', '../../login', 'a'.repeat(5_000), '\u0000']) expect(await accounts().findReset(token)).toBeNull();
});
