/** The second step of the login: a code of the app, once; recovery codes, once each; guesses that get nowhere; roles that must have one; new devices. */
import { generateSync } from 'otplib';
import { appForEach } from '../harness/each';

const app = appForEach();
const EMAIL = 'abel@house.example';
const PASSWORD = 'a long enough password';
const HERE = { from: '10.0.0.4', agent: 'Mozilla/5.0 (X11; Linux x64) Chrome/131.0.0.0' };
const accounts = () => app().m.accounts;
const abel = () => app().users.Abel!;
const codeAt = (secret: string, seconds = 0) => generateSync({ secret, epoch: Math.floor(Date.now() / 1000) + seconds });
const codeOf = (error: { code?: string }) => String(error.code);

beforeEach(async () => {
  await app().db.run('update users set password_hash = $1 where email = $2', [await accounts().hashPassword(PASSWORD), EMAIL]);
});
/** As it is after setting up; the step that was used is forgotten, so that a case need not wait half a minute. */
async function withApp(): Promise<{ secret: string; codes: string[] }> {
  const { secret } = await accounts().beginTotp(abel());
  const { recovery_codes } = await accounts().confirmTotp(abel(), codeAt(secret), HERE);
  await app().db.run('update totp_secrets set last_step = 0');
  return { secret, codes: recovery_codes };
}
const step = async () => {
  const { token, step } = await accounts().logIn(EMAIL, PASSWORD, HERE);
  expect(step).toBe('second');
  return token;
};
const passes = (token: string, code: string): Promise<string> =>
  accounts()
    .passSecondStep(token, code, HERE)
    .then(async ({ token: session }) => (await accounts().personOfSession(session))!.email, codeOf);
const mails = async () =>
  (
    await app().db.rows<{ payload: { mail: { subject: string } } }>(
      `select payload from graphile_worker._private_jobs j join graphile_worker._private_tasks t on t.id = j.task_id where t.identifier = 'accounts.mail' order by j.id`,
    )
  ).map(({ payload }) => payload.mail.subject);

test('the app is on once a code of it was typed; from then on the password alone is no way in', async () => {
  const { secret } = await accounts().beginTotp(abel());
  await expect(accounts().confirmTotp(abel(), '000000', HERE)).rejects.toMatchObject({ code: 'input_invalid' });
  expect((await accounts().logIn(EMAIL, PASSWORD, HERE)).step).toBe('in');
  const { recovery_codes } = await accounts().confirmTotp(abel(), codeAt(secret), HERE);
  expect(new Set(recovery_codes).size).toBe(10);
  expect(await accounts().readLoginSecurity(abel())).toMatchObject({ recovery_codes_left: 10, required: false });
  const token = await step();
  expect(await accounts().personOfSession(token)).toBeNull();
  expect(await passes(token, '000000')).toBe('input_invalid');
  await expect(accounts().beginTotp(abel())).rejects.toMatchObject({ code: 'conflict' });
  const kept = await app().db.first<{ secret: Buffer }>('select secret from totp_secrets', []);
  expect(kept!.secret.toString('utf8')).not.toContain(secret);
});

test('a clock that is half a minute off is let in; a code is good once, and none of before it after it', async () => {
  const { secret } = await withApp();
  expect(await passes(await step(), codeAt(secret, -90))).toBe('input_invalid');
  expect(await passes(await step(), codeAt(secret, 90))).toBe('input_invalid');
  const now = codeAt(secret);
  expect(await passes(await step(), ` ${now.slice(0, 3)} ${now.slice(3)} `)).toBe(EMAIL);
  expect(await passes(await step(), now)).toBe('input_invalid');
  expect(await passes(await step(), codeAt(secret, -30))).toBe('input_invalid');
  expect(await passes(await step(), codeAt(secret, 30))).toBe(EMAIL);
});

test('the same code at the same time lets one in', async () => {
  const { secret } = await withApp();
  const tokens = [await step(), await step(), await step()];
  const got = await Promise.all(tokens.map((token) => passes(token, codeAt(secret))));
  expect(got.filter((one) => one === EMAIL)).toHaveLength(1);
});

test('a recovery code is good once, however it is written, and its owner hears of it; new ones end the old', async () => {
  const { codes } = await withApp();
  expect(await passes(await step(), codes[0]!.replace('-', ' ').toUpperCase())).toBe(EMAIL);
  expect(await passes(await step(), codes[0]!)).toBe('input_invalid');
  expect(await mails()).toContain('A recovery code was used');
  expect((await accounts().readLoginSecurity(abel())).recovery_codes_left).toBe(9);
  const { recovery_codes: fresh } = await accounts().renewRecoveryCodes(abel());
  expect(await passes(await step(), codes[1]!)).toBe('input_invalid');
  expect(await passes(await step(), fresh[0]!)).toBe(EMAIL);
});

test('many guesses at once are looked at no more than a few in a row, from wherever they come; the step ends with its time', async () => {
  await withApp();
  const token = await step();
  const got = await Promise.all(Array.from({ length: 60 }, (_, n) => passes(token, String(100_000 + n))));
  expect(got.filter((one) => one === 'input_invalid').length).toBeLessThanOrEqual(6);
  expect(got.filter((one) => one === 'too_many').length).toBeGreaterThanOrEqual(54);
  await app().db.run(`update login_challenges set ends_at = clock_timestamp() - interval '1 second'`);
  expect(await passes(token, '123456')).toBe('not_found');
});

test('a role that must have it sets it up before anything else, and cannot take it off', async () => {
  const { token } = await accounts().logIn(EMAIL, PASSWORD, HERE);
  await accounts().updateSettings(app().as('Ada'), { second_step_roles: ['agent'] });
  expect(await accounts().personOfSession(token)).toMatchObject({ needsSecondStep: true });
  await withApp();
  expect((await accounts().personOfSession(token))!.needsSecondStep).toBeUndefined();
  await expect(accounts().removeTotp(abel(), HERE)).rejects.toMatchObject({ code: 'conflict' });
  await accounts().updateSettings(app().as('Ada'), { second_step_roles: [] });
  await accounts().removeTotp(abel(), HERE);
  expect((await accounts().logIn(EMAIL, PASSWORD, HERE)).step).toBe('in');
});

test('who lost their phone is helped by an admin, hears of it, and is logged out; nobody helps themselves or the owner', async () => {
  await withApp();
  const { token } = await accounts().passSecondStep(
    await step(),
    (await accounts().renewRecoveryCodes(abel())).recovery_codes[0]!,
    HERE,
  );
  await expect(accounts().resetSecondStep(app().as('Ada'), app().users.Ada!.id, HERE)).rejects.toMatchObject({
    code: 'conflict',
  });
  await accounts().resetSecondStep(app().as('Ada'), abel().id, HERE);
  expect(await accounts().personOfSession(token)).toBeNull();
  expect((await accounts().logIn(EMAIL, PASSWORD, HERE)).step).toBe('in');
  expect(await mails()).toContain('Your two-step login was reset');
});

test('an admin logs somebody out everywhere, who hears of it; not the owner, nor somebody elsewhere', async () => {
  await withApp();
  const { token } = await accounts().passSecondStep(
    await step(),
    (await accounts().renewRecoveryCodes(abel())).recovery_codes[0]!,
    HERE,
  );
  expect(await accounts().logOutUser(app().as('Ada'), abel().id, HERE)).toEqual({ ended: 1 });
  expect(await accounts().personOfSession(token)).toBeNull();
  expect(await mails()).toContain('You were logged out');
  expect((await accounts().logIn(EMAIL, PASSWORD, HERE)).step).toBe('second');
  for (const [id, code] of [
    [app().users.Ada!.id, 'conflict'],
    ['999999', 'not_found'],
  ] as const)
    await expect(accounts().logOutUser(app().as('Ada'), id, HERE)).rejects.toMatchObject({ code });
});

test('a new device is told by mail, the same one is not, nor the one they joined with', async () => {
  const first = await accounts().rememberDevice(abel().id, HERE, null, true);
  expect(await mails()).toEqual([]);
  expect(await accounts().rememberDevice(abel().id, HERE, first)).toBeNull();
  expect(await mails()).toEqual([]);
  expect(await accounts().rememberDevice(app().users.Brisa!.id, HERE, first)).not.toBeNull();
  expect(await accounts().rememberDevice(abel().id, HERE, 'made up')).not.toBeNull();
  expect(await mails()).toEqual(['New login to Urraca', 'New login to Urraca']);
});

test('the password is asked for again after a while, and only the right one counts', async () => {
  const { token } = await accounts().logIn(EMAIL, PASSWORD, HERE);
  expect(await accounts().isConfirmed(token)).toBe(true);
  await app().db.run(`update sessions set confirmed_at = clock_timestamp() - interval '31 minutes'`);
  expect(await accounts().isConfirmed(token)).toBe(false);
  await expect(accounts().confirmSession(abel(), token, 'not this one', HERE)).rejects.toMatchObject({ code: 'input_invalid' });
  expect(await accounts().isConfirmed(token)).toBe(false);
  await accounts().confirmSession(abel(), token, PASSWORD, HERE);
  expect(await accounts().isConfirmed(token)).toBe(true);
});
