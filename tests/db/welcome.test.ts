/** Founding with a one-time code: once, by whoever is first, and not by guessing. */
import { appForEach } from '../harness/each';

const app = appForEach();
const founding = () => app().m.founding;
const FORM = {
  brokerage: 'Ostby Homes',
  states: ['WA', 'OR'],
  time_zone: 'America/Los_Angeles',
  first_name: 'Maren',
  last_name: 'Ostby',
  email: 'Maren@Ostby.example',
  password: 'gulls over cold porridge',
};
const from = (address: string) => ({ from: address, agent: '' });
const tries = (more: Partial<typeof FORM> & { code: string }, address = '10.0.0.4') =>
  founding()
    .foundByCode({ ...FORM, ...more }, from(address))
    .then(
      ({ owner }) => owner.email,
      (error: { code?: string; facts?: { fields?: { field: string }[] } }) =>
        [error.code, ...(error.facts?.fields ?? []).map(({ field }) => field)].join(' '),
    );
const accounts = () => app().db.rows<{ name: string }>('select name from accounts order by id');

test('with the code a brokerage begins, its owner is logged in, and the code is used up', async () => {
  const code = await founding().makeFoundingCode();
  expect(code).toMatch(/^[A-Z2-9]{4}-[A-Z2-9]{4}-[A-Z2-9]{4}$/);
  const { owner, token } = await founding().foundByCode(
    { ...FORM, code: code.toLowerCase().replaceAll('-', ' ') },
    from('10.0.0.4'),
  );
  expect(owner).toMatchObject({ role: 'owner', email: 'maren@ostby.example', timeZone: 'America/Los_Angeles' });
  expect((await app().m.accounts.personOfSession(token))?.id).toBe(owner.id);
  expect(await app().m.accounts.readSettings(owner.accountId)).toMatchObject({ states: ['WA', 'OR'], sendEnd: '20:00' });
  expect(await founding().foundingState()).toEqual({ open: false, founded: true });
  expect(await tries({ code, email: 'second@ostby.example' })).toBe('input_invalid code');
});

test('two founders at once with one code: one brokerage', async () => {
  const code = await founding().makeFoundingCode();
  const before = (await accounts()).length;
  const done = await Promise.all([tries({ code }), tries({ code, email: 'other@ostby.example' }, '10.0.0.5')]);
  expect(done.filter((one) => one === 'input_invalid code')).toHaveLength(1);
  expect(await accounts()).toHaveLength(before + 1);
});

test('what is wrong is said at its field, and leaves the code as it was', async () => {
  const code = await founding().makeFoundingCode();
  expect(await tries({ code, states: ['ZZ'], time_zone: 'Moon/Base', email: 'no address', first_name: ' ' })).toBe(
    'input_invalid states.0 time_zone first_name email',
  );
  expect(await tries({ code, password: 'password123' })).toBe('input_invalid password');
  expect(await tries({ code, email: 'abel@house.example' })).toBe('input_invalid email');
  expect(await tries({ code, brokerage: 'Ŵylan & 海 Homes', first_name: 'Ægir', last_name: 'دريا' })).toBe('maren@ostby.example');
});

test('a code ends after a day, and when another one is made', async () => {
  const code = await founding().makeFoundingCode();
  const next = await founding().makeFoundingCode();
  expect(await tries({ code })).toBe('input_invalid code');
  await app().db.run(`update founding_codes set ends_at = clock_timestamp() - interval '1 second'`);
  expect(await founding().foundingState()).toMatchObject({ open: false });
  expect(await tries({ code: next })).toBe('input_invalid code');
});

test('who guesses is held up, from one place and from all together', async () => {
  await founding().makeFoundingCode();
  const one = [];
  for (let n = 0; n < 11; n += 1) one.push(await tries({ code: `AAAA-AAAA-AA${n}` }));
  expect(one.at(-1)).toBe('too_many');
  await app().db.run(`update rate_hits set hits = 300 where bucket = 'founding'`);
  expect(await tries({ code: 'AAAA' }, '10.0.0.9')).toBe('too_many');
});
