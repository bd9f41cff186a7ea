/** What every brokerage leans on without looking: logins, keys, settings, repeated calls, the outbox over deaths and outages, the clock. */
import { appForEach } from '../harness/each';
import { scopeFor } from '@/core/accounts';
import { MONDAY_MORNING, type TestApp } from '../harness/test-app';

const opened = appForEach();
let app: TestApp;
beforeEach(() => {
  app = opened();
});

const YES = { call: true, text: true, email: true };
const ODA = { emails: ['oda@brandvold.example'], phones: ['+15645550123'], permissions: YES };
const ada = () => app.users.Ada!;
const password = async (email: string, word: string) =>
  app.db.run('update users set password_hash = $2 where email = $1', [email, await app.m.accounts.hashPassword(word)]);

describe('logging in', () => {
  test('the right password opens a session, another ends the old one, logging out ends it', async () => {
    await password('ada@house.example', 'right');
    const { token: first } = await app.m.accounts.logIn(' ADA@house.example ', 'right', { from: 'here' });
    expect(await app.m.accounts.personOfSession(first)).toMatchObject({ firstName: 'Ada', role: 'admin' });
    const { token: second } = await app.m.accounts.logIn('ada@house.example', 'right', { from: 'here' }, first);
    expect(await app.m.accounts.personOfSession(first)).toBeNull();
    await app.m.accounts.logOut(second);
    expect(await app.m.accounts.personOfSession(second)).toBeNull();
    expect(await app.m.accounts.personOfSession('made up')).toBeNull();
  });

  test('a wrong password and an unknown address are told alike; the right one forgives', async () => {
    await password('abel@house.example', 'right');
    const wrong = (email: string) =>
      app.m.accounts
        .logIn(email, 'wrong', { from: 'here' })
        .catch((error: { code: string; message: string }) => `${error.code}: ${error.message}`);
    expect(await wrong('abel@house.example')).toBe(await wrong('nobody@house.example'));
    for (let n = 0; n < 3; n += 1) await wrong('abel@house.example');
    await app.m.accounts.logIn('abel@house.example', 'right', { from: 'here' });
    for (let n = 0; n < 5; n += 1) expect(await wrong('abel@house.example')).toMatch(/^login_wrong/);
    expect(await wrong('abel@house.example')).toMatch(/^too_many: .*Wait \d+ second/);
  });

  test('a session that is over, and one of somebody who left, opens nothing', async () => {
    await password('brisa@house.example', 'right');
    const { token } = await app.m.accounts.logIn('brisa@house.example', 'right', { from: 'here' });
    await app.db.run(`update users set active = false where email = 'brisa@house.example'`);
    expect(await app.m.accounts.personOfSession(token)).toBeNull();
    await app.db.run(`update users set active = true where email = 'brisa@house.example'`);
    await app.db.run(`update sessions set expires_at = now() - interval '1 second'`);
    expect(await app.m.accounts.personOfSession(token)).toBeNull();
  });
});

describe('keys', () => {
  test('a key is shown once, kept as a hash, does what it names, and not after it was revoked', async () => {
    const made = await app.m.accounts.createKey(ada(), 'Portal', ['inquiries:write']);
    const stored = await app.db.rows<{ hint: string; row: string }>('select hint, api_keys::text as row from api_keys');
    expect(stored[0]!.row).not.toContain(made.key);
    expect(made.key.endsWith(stored[0]!.hint.slice(1))).toBe(true);
    const principal = await app.m.accounts.principalOfKey(made.key);
    expect(principal).toMatchObject({ kind: 'key', scopes: ['inquiries:write'] });
    expect(scopeFor(principal).accountId).toBe('1');
    await app.m.accounts.revokeKey(ada(), made.id);
    await expect(app.m.accounts.principalOfKey(made.key)).rejects.toMatchObject({ code: 'key_invalid' });
    await expect(app.m.accounts.revokeKey(ada(), made.id)).rejects.toMatchObject({ code: 'not_found' });
    expect(await app.m.accounts.listKeys('1')).toEqual([]);
    const audit = await app.db.rows<{ what: string }>('select what from audit order by id');
    expect(audit.map(({ what }) => what)).toEqual(['made an API key', 'revoked an API key']);
  });

  test('a key without a right, or with one that is none, is not made', async () => {
    await expect(app.m.accounts.createKey(ada(), 'x', [])).rejects.toMatchObject({ code: 'input_invalid' });
    await expect(app.m.accounts.createKey(ada(), 'x', ['everything' as never])).rejects.toMatchObject({
      code: 'input_invalid',
    });
  });
});

test('formats are those of the account until a person chooses their own', async () => {
  const { accounts } = app.m;
  const asta = app.users.Asta ?? Object.values(app.users)[1]!;
  expect(await accounts.readFormat(asta)).toEqual({ locale: 'en-US', clock: null, weekStart: null });
  await accounts.updateSettings(app.as('Ada'), { locale: 'en-GB', clock: '12', week_start: 'sunday' });
  expect(await accounts.readFormat(asta)).toEqual({ locale: 'en-GB', clock: 12, weekStart: 7 });
  const own = { locale: 'es-US', clock: 24, weekStart: 6 };
  await accounts.setPreferences(asta.id, { format: own });
  expect(await accounts.readFormat(asta)).toEqual(own);
  await accounts.updateSettings(app.as('Ada'), { locale: 'en-US', clock: 'region', week_start: 'region' });
});

test('settings hold at once: longer quiet hours put the text off, a shorter conversation counts', async () => {
  await app.m.accounts.updateSettings(app.as('Ada'), { send_start: '11:00', conversation_seconds: 30 });
  await expect(app.m.accounts.updateSettings(app.as('Ada'), { send_end: '10:00' })).rejects.toMatchObject({
    code: 'input_invalid',
  });
  await expect(app.m.accounts.updateSettings(app.as('Ada'), { quiet_to: '07:00' })).rejects.toMatchObject({
    code: 'input_invalid',
  });
  const { contact } = await app.arrives(ODA);
  await app.advance('PT2H');
  expect(app.received('text').map(({ at }) => at)).toEqual(['2026-11-23T19:00:00.000Z']);
  app.world.people.script('+15645550123', { call: 'answers', talk: 'PT40S' });
  const owner = (await app.contact(contact.id)).owner!;
  const agent = Object.values(app.users).find(({ id }) => id === owner.id)!;
  const call = await app.m.calling.startCall({ kind: 'user', user: agent }, contact.id);
  await app.settle();
  await app.advance('PT2M');
  expect(await app.m.calling.findCall(app.scope, call.id)).toMatchObject({ outcome: 'talked', talk_seconds: 40 });
});

describe('a repeated call', () => {
  const once = (
    principal: string,
    key: string,
    call: unknown,
    work: () => Promise<{ status: number; body: unknown }>,
    more = {},
  ) => app.m.shared.once({ principal, key, call, ...more }, work);
  test('is done once and answered alike; another body is refused; a failure frees the key', async () => {
    let times = 0;
    const work = async () => ({ status: 201, body: { n: ++times } });
    const answers = await Promise.all([once('p', 'k', { a: 1 }, work), once('p', 'k', { a: 1 }, work)]);
    expect(answers).toEqual([
      { status: 201, body: { n: 1 } },
      { status: 201, body: { n: 1 } },
    ]);
    await expect(once('p', 'k', { a: 2 }, work)).rejects.toMatchObject({ code: 'idempotency_mismatch' });
    await expect(once('other', 'k', { a: 2 }, work)).resolves.toEqual({ status: 201, body: { n: 2 } });
    await expect(once('p', 'fails', {}, () => Promise.reject(new Error('down')))).rejects.toThrow('down');
    await expect(once('p', 'fails', {}, work)).resolves.toEqual({ status: 201, body: { n: 3 } });
  });

  test('that died in the middle may be made again after a minute, unless its work was committed', async () => {
    await app.db.run(
      `insert into idempotent_replies (principal, key, fingerprint, started_at) values ('p', 'dead', '', now() - interval '2 minutes')`,
    );
    const again = async () => ({ status: 200, body: 'again' });
    await expect(once('p', 'dead', {}, again)).resolves.toEqual({ status: 200, body: 'again' });
    const died = once('p', 'half', {}, async () => {
      await app.m.shared.transact((tx) => tx.run(`insert into tags (account_id, name) values (1, 'only once')`));
      throw new Error('the process dies before its answer is kept');
    });
    await expect(died).rejects.toThrow('dies');
    await app.db.run(`update idempotent_replies set started_at = now() - interval '2 minutes'`);
    await expect(once('p', 'half', {}, again)).rejects.toMatchObject({ code: 'conflict' });
    expect(await app.db.rows(`select 1 from tags where name = 'only once'`)).toHaveLength(1);
  });

  test('with other bytes of a file is another call; a secret is never kept; answers go after a day', async () => {
    const bytes = (text: string) => ({ file: async () => Buffer.from(text) });
    const work = async () => ({ status: 201, body: { id: '1' } });
    await once('p', 'file', {}, work, bytes('one'));
    await expect(once('p', 'file', {}, work, bytes('one'))).resolves.toMatchObject({ status: 201 });
    await expect(once('p', 'file', {}, work, bytes('two'))).rejects.toMatchObject({ code: 'idempotency_mismatch' });
    await once('p', 'key', {}, async () => ({ status: 201, body: { key: 'a-secret-key' } }), { secret: true });
    await expect(once('p', 'key', {}, work, { secret: true })).rejects.toMatchObject({ code: 'conflict' });
    expect(await app.db.rows(`select 1 from idempotent_replies where body::text like '%a-secret-key%'`)).toEqual([]);
    await app.db.run(`update idempotent_replies set started_at = now() - interval '25 hours' where key = 'file'`);
    await app.m.shared.sweepReplies();
    expect(await app.db.rows(`select 1 from idempotent_replies where key = 'file'`)).toEqual([]);
  });
});

describe('the outbox', () => {
  const row = () =>
    app.db.first<{ state: string; attempts: number; leased_by: string | null; waits: boolean }>(
      `select state, attempts, leased_by, retry_at > clock_timestamp() as waits from outbox order by id desc limit 1`,
    );

  test('what a dead worker held goes to a living one, with the same key; what a living one holds does not', async () => {
    await app.arrives(ODA);
    await app.m.campaigns.carryOutDue();
    await app.db.run(`insert into processes (id, kind) values ('alive', 'worker')`);
    const { messages } = await app.m.messages.claimOutbox('alive', 10);
    expect(messages.map(({ key }) => key)).toEqual(['e1-s0']);
    expect((await app.m.messages.claimOutbox('test', 10)).claimed).toBe(0);
    expect(await app.m.messages.outboxInFlight(MONDAY_MORNING)).toBe(true);
    await app.db.run(`update processes set seen_at = now() - interval '11 seconds' where id = 'alive'`);
    expect(await app.m.messages.outboxInFlight(MONDAY_MORNING)).toBe(false);
    expect((await app.m.messages.claimOutbox('test', 10)).messages.map(({ key }) => key)).toEqual(['e1-s0']);
    await app.m.messages.completeOutbox('alive', [{ id: messages[0]!.id, result: 'accepted', receipt: null }], MONDAY_MORNING);
    expect(await row()).toMatchObject({ state: 'sending', leased_by: 'test' });
    await app.m.messages.completeOutbox('test', [{ id: messages[0]!.id, result: 'accepted', receipt: null }], MONDAY_MORNING);
    expect(await row()).toMatchObject({ state: 'sent', leased_by: null });
  });

  test('a provider that is down is tried again later and later, then parked where an admin sees it and lets it go', async () => {
    await app.arrives(ODA);
    app.world.sky.set({ text: 'down' });
    await app.settle();
    expect(await row()).toMatchObject({ state: 'waiting', attempts: 1, waits: true });
    expect(await app.m.messages.listStuck('1')).toMatchObject([
      { channel: 'text', attempts: 1, state: 'waiting', error: 'the service is down' },
    ]);
    await app.db.run('update outbox set attempts = 59, retry_at = null');
    await app.settle();
    expect(await row()).toMatchObject({ state: 'parked', attempts: 60 });
    await app.settle();
    expect(app.received('text')).toEqual([]);
    app.world.sky.set({ text: 'fine' });
    expect(await app.m.messages.retryStuck('1')).toBe(1);
    await app.settle();
    expect(app.received('text')).toHaveLength(1);
    expect(await app.m.messages.listStuck('1')).toEqual([]);
  });

  test('the wait between attempts doubles up to five minutes', () => {
    expect([1, 2, 3, 9, 40].map(app.m.messages.backoffSeconds)).toEqual([1, 2, 4, 256, 300]);
  });

  test('a letter without a complete address, a message that is empty or too long, a text to nobody: each says why', async () => {
    const { contact } = await app.arrives({ emails: ['only@mail.example'] });
    const send = (channel: 'text' | 'email' | 'letter', text: string) =>
      app.m.messages.sendMessage(app.as('Ada'), contact.id, { channel, text });
    await expect(send('letter', 'Dear Oda')).rejects.toMatchObject({
      code: 'touch_refused',
      message: 'The letter was not sent: there is no complete mailing address.',
    });
    await expect(send('text', 'hello')).rejects.toMatchObject({ code: 'touch_refused' });
    await expect(send('email', '  \n ')).rejects.toMatchObject({ code: 'input_invalid' });
    await expect(send('email', 'x'.repeat(50_001))).rejects.toMatchObject({ code: 'input_invalid' });
  });

  test('a message by hand at night waits until morning and says so; do not contact holds everything', async () => {
    const { contact } = await app.arrives(ODA, { by: 'Abel' });
    await app.setClock(new Date('2026-11-24T06:00:00Z'));
    const sent = await app.m.messages.sendMessage(app.as('Abel'), contact.id, { channel: 'email', text: 'Good night' });
    expect(sent.waits_until?.toISOString()).toBe('2026-11-24T16:00:00.000Z');
    await app.m.contacts.updateContact(app.as('Abel'), contact.id, { do_not_contact: true });
    await app.advance('P1D');
    expect(app.received('email')).toEqual([]);
    expect(await app.story(contact.id)).toContain('held email: The email was not sent: this person is marked do not contact.');
  });
});

describe('the clock', () => {
  test('runs forward only, not too far, and stands where it was let go', async () => {
    const { requestAdvance } = app.m.simulation;
    await expect(requestAdvance({ to: new Date('2026-01-01') })).rejects.toMatchObject({ code: 'input_invalid' });
    await expect(requestAdvance({ by: 500 * 86_400_000 })).rejects.toMatchObject({ code: 'input_invalid' });
    await app.advance(new Date('2026-11-25T12:34:56Z'));
    expect((await app.m.shared.now()).toISOString()).toBe('2026-11-25T12:34:56.000Z');
  });

  test('goes on from where it was last seen, not from the weeks between', async () => {
    await app.m.shared.markClock();
    await app.db.run('update clock set held_at = null, offset_ms = 0');
    await app.m.shared.releaseClock(app.db);
    const { now, held } = await app.m.shared.clockState();
    expect(held).toBe(false);
    expect(Math.abs(now.getTime() - MONDAY_MORNING.getTime())).toBeLessThan(5_000);
  });

  test('to the next event: whoever answers in ten minutes is what happens next', async () => {
    app.world.people.script('+15645550123', { answers: [{ to: 'text', after: 'PT10M', body: 'yes' }] });
    await app.arrives(ODA);
    await app.settle();
    const id = await app.m.simulation.requestAdvance({ next: true });
    await app.m.advance.performAdvance(id, 'test', app.outside);
    expect((await app.m.simulation.readAdvance(id))!.reached!.toISOString()).toBe('2026-11-23T18:10:00.000Z');
  });
});

test('handing a contact over: the new agent has it, the waiting lead and the reason go along', async () => {
  const { contact } = await app.arrives(ODA, { by: 'Abel' });
  await app.m.contacts.updateContact(app.as('Ada'), contact.id, { owner_id: app.users.Caspian!.id });
  expect((await app.contact(contact.id)).owner!.name).toBe('Caspian Test');
  expect(await app.story(contact.id)).toContain('handed: Handed to Caspian Test by Ada Test.');
  expect((await app.m.routing.listWaitingOffers(app.scopeOf('Caspian'))).items.map(({ contact_id }) => contact_id)).toEqual([
    contact.id,
  ]);
  await expect(app.m.contacts.findContact(app.scopeOf('Abel'), contact.id)).rejects.toMatchObject({ code: 'not_found' });
  await expect(app.m.contacts.updateContact(app.as('Ada'), contact.id, { owner_id: app.users.Hollis!.id })).rejects.toMatchObject(
    { code: 'input_invalid' },
  );
});

test('archiving asks for a reason, and nobody archived is due', async () => {
  const { contact } = await app.arrives(ODA, { by: 'Abel' });
  await expect(app.m.contacts.updateContact(app.as('Abel'), contact.id, { stage: 'archived' })).rejects.toMatchObject({
    code: 'input_invalid',
  });
  await app.m.contacts.updateContact(app.as('Abel'), contact.id, { stage: 'archived', archived_because: 'Moved away' });
  expect((await app.m.today.readToday(app.scopeOf('Abel'), app.users.Abel!)).groups).toEqual([]);
  expect((await app.m.contacts.listContacts(app.scope, { limit: 10 })).items).toEqual([]);
  expect(
    (
      await app.m.contacts.listContacts(app.scope, {
        limit: 10,
        ...(await app.m.segments.readQuestion(app.scope, { stage: 'archived' })),
      })
    ).items,
  ).toHaveLength(1);
});

test('verify finds what somebody changed behind its back', async () => {
  const { contact } = await app.arrives(ODA);
  await app.db.run(`update contact_facts set inquiries = 7 where contact_id = $1`, [contact.id]);
  await app.db.run(`update contacts set stage = 'talking' where id = $1`, [contact.id]);
  const found = await app.verified();
  expect(found).toEqual([
    `contact ${contact.id}: inquiries is 7, its activities say 1`,
    `contact ${contact.id}: stage is talking, its activities say new`,
  ]);
  await app.db.run(`update contact_facts set inquiries = 1 where contact_id = $1`, [contact.id]);
  await app.db.run(`update contacts set stage = 'new' where id = $1`, [contact.id]);
});

describe('background jobs', () => {
  test('a job that takes long stays with its worker as long as that lives, and is free once it is dead', async () => {
    const { beat, enqueue, freeDeadJobs } = app.m.shared;
    let finish = () => {};
    const started = new Promise<void>((resolve) => {
      finish = resolve;
    });
    let over = () => {};
    const held = new Promise<void>((resolve) => {
      over = resolve;
    });
    const { stop, holders } = await app.m.jobQueue.workQueue(process.env.DATABASE_URL!, {
      'exports.run': async () => {
        finish();
        await held;
      },
    });
    const job = () =>
      app.db.first<{ locked_by: string | null; attempts: number }>(
        'select locked_by, attempts from graphile_worker._private_jobs',
      );
    try {
      await beat('worker-1', 'worker', { jobHolders: [...holders] });
      await enqueue(app.db, 'exports.run', { exportId: '1' });
      await started;
      await app.db.run(`update graphile_worker._private_jobs set locked_at = clock_timestamp() - interval '1 minute'`);
      await freeDeadJobs();
      expect((await job())?.locked_by).not.toBeNull();
      await app.db.run(`update processes set seen_at = clock_timestamp() - interval '1 minute' where id = 'worker-1'`);
      await freeDeadJobs();
      /* It is free, or was and is taken again already. */
      const { locked_by, attempts } = (await job())!;
      expect(locked_by === null || attempts > 1).toBe(true);
    } finally {
      over();
      await stop();
    }
  });

  test('a job whose end could not be said is begun anew, one that is being done is not', async () => {
    const { enqueue, freeLostJobs } = app.m.shared;
    let began = 0;
    const { stop, holders, atWork } = await app.m.jobQueue.workQueue(process.env.DATABASE_URL!, {
      'exports.run': () => {
        began += 1;
        return Promise.resolve();
      },
    });
    const job = () => app.db.first<{ locked_by: string | null }>('select locked_by from graphile_worker._private_jobs');
    try {
      const hold = (): Promise<void> =>
        app.db.run(
          `update graphile_worker._private_jobs set locked_by = $1, locked_at = clock_timestamp() - interval '1 minute', run_at = now()`,
          [[...holders][0]],
        );
      await app.db.run(
        `select graphile_worker.add_job('exports.run', payload := '{"exportId": "1"}'::json, max_attempts := 5, run_at := now() + interval '1 hour')`,
      );
      const { id } = (await app.db.first<{ id: string }>('select id::text from graphile_worker._private_jobs'))!;
      await hold();
      await freeLostJobs(holders, [id]);
      expect(await job()).toEqual({ locked_by: [...holders][0] });
      await freeLostJobs(holders, atWork);
      for (const end = Date.now() + 10_000; (await job()) && Date.now() < end;)
        await new Promise((resolve) => setTimeout(resolve, 100));
      expect([await job(), began]).toEqual([null, 1]);
      await enqueue(app.db, 'exports.run', { exportId: '2' });
      for (const end = Date.now() + 10_000; began < 2 && Date.now() < end;)
        await new Promise((resolve) => setTimeout(resolve, 100));
      expect(began).toBe(2);
    } finally {
      await stop();
    }
  });
});
