/** One thing at a time goes to a person, whichever worker has it, so that caps hold also where two of them meet. */
import { DAY, HOUR } from '@/core/shared';
import { MONDAY_MORNING, openApp, type TestApp } from '../harness/test-app';

let app: TestApp;
let contact: string;
const alive = (id: string, seconds = 0) =>
  app.db.run(
    `insert into processes (id, kind, seen_at) values ($1, 'worker', clock_timestamp() - make_interval(secs => $2))
     on conflict (id) do update set seen_at = excluded.seen_at`,
    [id, seconds],
  );
const waits = (key: string, minutes: number, address = 'hand@one.example') =>
  app.db.run(
    `insert into outbox (account_id, key, channel, contact_id, user_id, address, payload, automatic, due_at, created_at)
     values (1, $1, 'email', $2, 2, $3, '{"subject":"s","text":"t"}', true, $4, $4)`,
    [key, contact, address, new Date(MONDAY_MORNING.getTime() - minutes * 60_000)],
  );
const claimed = async (worker: string): Promise<string[]> =>
  (await app.m.messages.claimOutbox(worker, 10)).messages.map(({ key }) => key);
const states = async () =>
  Object.fromEntries(
    (await app.db.rows<{ key: string; state: string }>('select key, state from outbox order by key')).map((row) => [
      row.key,
      row.state,
    ]),
  );

beforeEach(async () => {
  app = await openApp();
  await app.setClock(new Date(MONDAY_MORNING.getTime() + 3 * HOUR));
  const made = await app.arrives({ emails: ['hand@one.example'], permissions: { email: true } });
  contact = made.contact.id;
  await app.db.run(`delete from outbox; `);
  await app.db.run(`update enrollments set state = 'finished', due_at = null`);
  await app.db.run(`update accounts set settings = settings || '{"capDay": 1}'`);
  for (const worker of ['one', 'two']) await alive(worker);
});
afterEach(() => app.close());

test('what comes before in time but later in truth waits until the one in hand has gone, and then counts it', async () => {
  await waits('later', 5);
  const [first] = (await app.m.messages.claimOutbox('one', 10)).messages;
  expect(first!.key).toBe('later');
  await waits('earlier', 10);
  expect(await claimed('two')).toEqual([]);
  await app.m.messages.completeOutbox('one', [{ id: first!.id, result: 'accepted', receipt: null }], first!.at);
  expect(await claimed('two')).toEqual([]);
  expect(await states()).toMatchObject({ later: 'sent' });
  expect((await states()).earlier).not.toBe('sending');
});

test('two who claim at the same instant have one of them', async () => {
  for (let round = 0; round < 10; round += 1) {
    await app.db.run('delete from outbox');
    await waits('a', 5);
    const [one, , two] = await Promise.all([claimed('one'), waits('b', 10), claimed('two')]);
    expect([...one, ...two].length).toBeLessThan(2);
  }
});

test('what a dead worker had in hand goes before what is earlier, and only then the other', async () => {
  await waits('later', 5);
  expect(await claimed('one')).toEqual(['later']);
  await waits('earlier', 10);
  await alive('one', 60);
  expect(await claimed('two')).toEqual(['later']);
});

test('what was handed over without an answer may have gone, and counts for the caps until it is known', async () => {
  await waits('first', 10);
  const [first] = (await app.m.messages.claimOutbox('one', 10)).messages;
  const came = (result: 'later' | 'refused') =>
    app.m.messages.completeOutbox('one', [{ id: first!.id, result, error: 'did not answer in time' }], first!.at);
  await came('later');
  await waits('second', 5);
  expect(await claimed('two')).toEqual([]);
  const row = await app.db.first<{ due_at: Date }>(`select due_at from outbox where key = 'second'`);
  expect(row!.due_at.getTime()).toBe(first!.at.getTime() + DAY);
  await app.db.run(`update outbox set retry_at = null where key = 'first'`);
  expect(await claimed('one')).toEqual(['first']);
  await came('refused');
  await waits('third', 1, 'other@one.example');
  expect(await claimed('two')).toEqual(['third']);
});
