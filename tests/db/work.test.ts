/** Working: calls that log themselves, outcomes, promises, Today, Results, and who may see what. */
import { hourOf, SPEED_BY } from '@/core/results';
import { appForEach } from '../harness/each';
import type { CallAnswer } from '../../simulator/people';
import { MONDAY_MORNING, type TestApp } from '../harness/test-app';

const opened = appForEach();
let app: TestApp;
beforeEach(() => {
  app = opened();
});

const PHONE = '+15645550123';
const lead = async (more: object = {}) =>
  app.arrives({ phones: [PHONE], emails: ['oda@brandvold.example'], permissions: { call: true }, ...more }, { by: 'Abel' });

async function call(contactId: string, how: { call: CallAnswer; talk?: string }, pass: string) {
  app.world.people.script(PHONE, how);
  const placed = await app.m.calling.startCall(app.as('Abel'), contactId);
  await app.settle();
  await app.advance(pass);
  return app.m.calling.findCall(app.scope, placed.id);
}

test.each([
  ['answers', 'PT3M', 'talked', 180, 'talking'],
  ['answers', 'PT1M', 'short', 60, 'reaching'],
  ['voicemail', undefined, 'voicemail', 0, 'reaching'],
  ['busy', undefined, 'busy', 0, 'reaching'],
  ['no-answer', undefined, 'no_answer', 0, 'reaching'],
  ['wrong-number', undefined, 'wrong_number', 0, 'reaching'],
] as const)(
  'a call that %s (%s) logs itself as %s with %d seconds; the stage is then %s',
  async (how, talkTime, outcome, seconds, stage) => {
    const { contact } = await lead();
    const ended = await call(contact.id, { call: how, talk: talkTime }, 'PT5M');
    expect(ended).toMatchObject({ state: 'ended', outcome, talk_seconds: seconds, outcome_guessed: true });
    expect((await app.contact(contact.id)).stage.key).toBe(stage);
    const { items } = await app.m.contacts.listTimeline(app.scope, contact.id, 50);
    expect(items.filter((item) => item.kind === 'call')).toHaveLength(1);
    expect((await app.db.first<{ n: number }>('select count(*)::int as n from offers where answered_at is null'))!.n).toBe(0);
  },
);

test('a number is chosen; a wrong one is not called again by itself, and one that isn’t theirs is refused', async () => {
  const { contact } = await lead({ phones: [PHONE, '+15645550124'] });
  const { startCall } = app.m.calling;
  await call(contact.id, { call: 'wrong-number' }, 'PT5M');
  expect((await app.contact(contact.id)).address_errors).toEqual({ [PHONE]: 'wrong number' });
  const next = await startCall(app.as('Abel'), contact.id);
  expect(next.number).toBe('+15645550124');
  await app.settle();
  await app.advance('PT10M');
  await expect(startCall(app.as('Abel'), contact.id, '+15645550199')).rejects.toMatchObject({ code: 'input_invalid' });
});

test('hanging up ends it; the agent’s own outcome corrects the guess, facts and all', async () => {
  const { contact } = await lead();
  app.world.people.script(PHONE, { call: 'answers', talk: 'PT30M' });
  const placed = await app.m.calling.startCall(app.as('Abel'), contact.id);
  await app.m.calling.updateCall(app.as('Abel'), placed.id, { note: 'Wants three bedrooms' });
  await app.settle();
  await app.advance('PT1M');
  await app.outside.voice.hangUp((await app.m.calling.keyOfCall(placed.id))!);
  await app.world.agenda.run();
  const ended = await app.m.calling.findCall(app.scope, placed.id);
  expect(ended).toMatchObject({ state: 'ended', outcome: 'short', talk_seconds: 56 });
  await app.m.calling.updateCall(app.as('Abel'), placed.id, { outcome: 'talked' });
  const after = await app.contact(contact.id);
  expect(after).toMatchObject({ stage: { key: 'talking' }, calls: { attempts: 1, reached: 1, conversations: 1 } });
  expect(await app.story(contact.id)).toContain('call call: Wants three bedrooms');
});

test('one call at a time, none to whom said no, none at night unless they wrote just now', async () => {
  const { contact } = await lead();
  await app.m.calling.startCall(app.as('Abel'), contact.id);
  await expect(app.m.calling.startCall(app.as('Abel'), contact.id)).rejects.toMatchObject({ code: 'conflict' });
  const night = await app.arrives({ phones: ['+15095550111'] }, { by: 'Brisa' });
  await app.setClock(new Date('2026-11-24T06:30:00Z'));
  await expect(app.m.calling.startCall(app.as('Brisa'), night.contact.id)).rejects.toMatchObject({
    code: 'touch_refused',
    message: expect.stringContaining('we send 8 AM'),
  });
  await app.m.messages.receiveText({
    eventId: 'late',
    from: '+15095550111',
    to: '+13605550102',
    body: 'I am up, call me',
    at: new Date('2026-11-24T06:29:00Z'),
  });
  await expect(app.m.calling.startCall(app.as('Brisa'), night.contact.id)).resolves.toMatchObject({ state: 'dialing' });
  await app.m.contacts.setPermission(app.as('Ada'), night.contact.id, 'call', 'withdrawn', '');
  await expect(app.m.calling.startCall(app.as('Ada'), night.contact.id)).rejects.toBeDefined();
});

test('a call that cannot be placed fails at once and says so; it is not tried minutes later', async () => {
  const { contact } = await lead();
  app.world.sky.set({ call: 'down' });
  const placed = await app.m.calling.startCall(app.as('Abel'), contact.id);
  await app.settle();
  expect((await app.m.calling.findCall(app.scope, placed.id)).state).toBe('ended');
  app.world.sky.set({ call: 'fine' });
  await app.advance('PT10M');
  expect(app.received('call')).toEqual([]);
  expect((await app.contact(contact.id)).stage.key).toBe('new');
});

test('a promise stands in Today on its day, and speaking keeps it; the rhythm brings people back', async () => {
  const { contact } = await lead();
  await app.m.contacts.setNextTouch(app.as('Abel'), contact.id, new Date('2026-11-25T18:00:00Z'), 'Call about the inspection');
  await app.advance('P2D');
  const today = () => app.m.today.readToday(app.scopeOf('Abel'), app.users.Abel!);
  const promised = (await today()).groups.find(({ key }) => key === 'promised') ?? (await today()).groups[0];
  expect(promised!.entries[0]!.reasons.map(({ text }) => text)).toContain('Call about the inspection');
  await call(contact.id, { call: 'voicemail' }, 'PT5M');
  expect((await app.contact(contact.id)).next_touch).toMatchObject({ kind: 'promise' });
  await call(contact.id, { call: 'answers', talk: 'PT3M' }, 'PT5M');
  await app.m.contacts.updateContact(app.as('Abel'), contact.id, { horizon: 'hot' });
  expect((await app.contact(contact.id)).next_touch).toMatchObject({ kind: 'rhythm', at: new Date('2026-11-27T18:05:00Z') });
  await app.advance('P2D');
  expect((await today()).groups.map(({ key }) => key)).toEqual(['overdue']);
});

test('every number of Results equals the people that it opens', async () => {
  for (let n = 0; n < 9; n += 1) {
    const { contact } = await app.arrives({ phones: [`+1509555012${n}`], permissions: { call: true } });
    const owner = (await app.contact(contact.id)).owner!;
    const agent = Object.values(app.users).find(({ id }) => id === owner.id)!;
    if (n % 3 === 0) continue;
    app.world.people.script(`+1509555012${n}`, { call: n % 2 ? 'answers' : 'voicemail', talk: n === 5 ? 'PT1M' : 'PT4M' });
    await app.m.calling.startCall({ kind: 'user', user: agent }, contact.id);
    await app.settle();
    await app.advance('PT6M');
    if (n === 7) await app.m.contacts.updateContact(app.as('Ada'), contact.id, { stage: 'client' });
  }
  const to = new Date('2026-12-01T00:00:00Z');
  const from = new Date('2026-11-01T00:00:00Z');
  for (const who of ['Ada', 'Abel', 'Caspian']) {
    const scope = app.scopeOf(who);
    const rows = await app.m.results.readResults(scope, { from, to, conversationSeconds: 120 });
    if (who === 'Ada')
      expect(rows[0]).toMatchObject({
        agent: null,
        leads: 9,
        tried: 6,
        fast: 6,
        reached: 3,
        conversations: 2,
        clients: 1,
        medianSpeedSeconds: 0,
      });
    for (const row of rows) {
      for (const measure of ['leads', 'tried', 'fast', 'reached', 'conversations', 'clients'] as const) {
        const behind = { measure, agentId: row.agent?.id ?? null, from, to, conversationSeconds: 120 };
        expect({ who, agent: row.agent?.name, measure, people: await app.m.contacts.countContacts(scope, { behind }) }).toEqual({
          who,
          agent: row.agent?.name,
          measure,
          people: row[measure],
        });
      }
    }
  }
});

test('speed to lead by agent, roster, door and hour of the week: each number equals the people that it opens', async () => {
  for (let n = 0; n < 7; n += 1) {
    const { contact } = await app.arrives(
      { phones: [`+1509555013${n}`], permissions: { call: true } },
      n % 3 ? {} : { by: 'Abel' },
    );
    const owner = (await app.contact(contact.id)).owner!;
    const agent = Object.values(app.users).find(({ id }) => id === owner.id)!;
    await app.advance(n % 2 ? 'PT2M' : 'PT25M');
    if (n === 5) continue;
    await app.m.calling.startCall({ kind: 'user', user: agent }, contact.id);
    await app.settle();
    await app.advance('PT3M');
  }
  const [from, to] = [new Date('2026-11-01T00:00:00Z'), new Date('2026-12-01T00:00:00Z')];
  const key = { agent: 'agentId', roster: 'rosterId', door: 'doorId', hour: 'hour' } as const;
  let looked = 0;
  for (const by of SPEED_BY) {
    const rows = await app.m.results.readSpeed(app.scope, by, from, to);
    for (const row of rows) {
      for (const measure of ['leads', 'fast'] as const) {
        const behind = {
          ...{ measure, agentId: null, from, to, conversationSeconds: 120 },
          [key[by]]: by === 'hour' ? hourOf(row.key) : row.key,
        };
        expect({ by, row: row.name, measure, people: await app.m.contacts.countContacts(app.scope, { behind }) }).toEqual({
          ...{ by, row: row.name, measure, people: row[measure] },
        });
        looked += 1;
      }
    }
    expect(rows.reduce((sum, { leads }) => sum + leads, 0)).toBe(by === 'roster' ? 4 : 7);
    expect(rows.reduce((sum, { fast }) => sum + fast, 0)).toBe(by === 'roster' ? 1 : 2);
  }
  expect(looked).toBeGreaterThan(12);
});

test('an agent sees and changes only their own; a caller their office; a lender what they are attached to', async () => {
  const own = await app.arrives({ emails: ['own@scope.example'] }, { by: 'Abel' });
  const other = await app.arrives({ emails: ['other@scope.example'] }, { by: 'Caspian' });
  await app.db.run('insert into contact_lenders values ($1, $2)', [other.contact.id, app.users.Hollis!.id]);
  const sees = async (who: string) =>
    (await app.m.contacts.listContacts(app.scopeOf(who), { limit: 50 })).items.map(({ id }) => id).sort();
  expect(await sees('Abel')).toEqual([own.contact.id]);
  expect(await sees('Cato')).toEqual([own.contact.id]);
  expect(await sees('Hollis')).toEqual([other.contact.id]);
  expect(await sees('Ada')).toEqual([own.contact.id, other.contact.id].sort());
  const strange = other.contact.id;
  const abel = app.as('Abel');
  const scope = app.scopeOf('Abel');
  const tries = [
    () => app.m.contacts.findContact(scope, strange),
    () => app.m.contacts.listTimeline(scope, strange, 10),
    () => app.m.campaigns.listEnrollments(scope, strange),
    () => app.m.capture.findInquiry(scope, other.inquiry.id),
    () => app.m.contacts.updateContact(abel, strange, { stage: 'client' }),
    () => app.m.contacts.addNote(abel, strange, 'x'),
    () => app.m.contacts.setNextTouch(abel, strange, null, ''),
    () => app.m.contacts.setPermission(abel, strange, 'email', 'withdrawn', ''),
    () => app.m.messages.sendMessage(abel, strange, { channel: 'email', text: 'x' }),
    () => app.m.calling.startCall(abel, strange),
  ];
  for (const attempt of tries) await expect(attempt()).rejects.toMatchObject({ code: 'not_found' });
  await expect(app.m.contacts.updateContact(abel, own.contact.id, { owner_id: app.users.Brisa!.id })).rejects.toMatchObject({
    code: 'not_allowed',
  });
});

test('lists page by cursor without loss or repeat', async () => {
  for (let n = 0; n < 23; n += 1) await app.arrives({ emails: [`p${n}@page.example`] });
  const seen: string[] = [];
  for (let cursor: string | null = null, first = true; first || cursor; first = false) {
    const page: { items: { id: string }[]; next: string | null } = await app.m.contacts.listContacts(app.scope, {
      limit: 5,
      cursor,
    });
    seen.push(...page.items.map(({ id }) => id));
    cursor = page.next;
  }
  expect(seen).toHaveLength(23);
  expect(new Set(seen).size).toBe(23);
});

test('what they did elsewhere stands in the timeline and counts: a visit, a saved home, an opened email, a call to us', async () => {
  const { contact } = await app.arrives({ emails: ['seen@x.example'], phones: ['+15645550177'], permissions: { email: true } });
  const report = (body: object) =>
    app.m.contacts.reportActivity(app.as('Ada'), contact.id, { text: '', talk_seconds: 0, ...body } as never);
  await report({ kind: 'visit', text: 'Looked at 4 homes', at: new Date(MONDAY_MORNING.getTime() - 3_600_000).toISOString() });
  await report({ kind: 'saved_home', text: '14 Heron Lane' });
  await report({ kind: 'opened' });
  await report({ kind: 'call' });
  const asks = async (on: string, from: number) =>
    (
      await app.m.contacts.listContacts(app.scope, {
        limit: 5,
        segment: {
          tree: { all: [{ on, how: 'between', from, to: null } as never] },
          context: await app.m.segments.segmentContext(app.scope),
        },
      })
    ).items.map(({ id }) => id);
  for (const on of ['visits', 'saved_homes', 'emails_opened', 'calls_in'])
    expect([on, await asks(on, 1), await asks(on, 2)]).toEqual([on, [contact.id], []]);
  expect((await app.contact(contact.id)).stage.key).toBe('new');
  await report({ kind: 'call', talk_seconds: 300, text: 'Wants to see it on Sunday' });
  expect((await app.contact(contact.id)).stage.key).toBe('talking');
  expect(await app.story(contact.id)).toContain('stopped: “New buyer” stopped: they had a phone conversation.');
  await expect(report({ kind: 'visit', at: '2030-01-01T00:00:00Z' })).rejects.toMatchObject({ code: 'input_invalid' });
  expect(await app.verified()).toEqual([]);
});

test('a promise made while a note waits for the same person is not lost: what is read is read after the wait', async () => {
  const { contact } = await lead();
  const { transact } = app.m.shared;
  const { recordActivities, restate } = app.m.contacts;
  const due = new Date('2026-11-25T18:00:00Z');
  let locked = () => {};
  const holds = new Promise<void>((resolve) => (locked = resolve));
  const promising = transact(async (tx) => {
    await tx.run('select 1 from contacts where id = $1 for update', [contact.id]);
    locked();
    await waitsForLock(app);
    await tx.run(
      `insert into tasks (account_id, contact_id, user_id, kind, note, due_at, created_at) select account_id, id, owner_id, 'promise', 'Call back', $2, $3 from contacts where id = $1`,
      [contact.id, due, MONDAY_MORNING],
    );
    await restate(tx, [contact.id], MONDAY_MORNING);
  });
  await holds;
  const noting = transact((tx) =>
    recordActivities(tx, app.scope.accountId, [
      {
        contactId: contact.id,
        userId: null,
        at: MONDAY_MORNING,
        kind: 'note',
        channel: null,
        direction: null,
        data: { text: 'x' },
        because: null,
      },
    ]),
  );
  await Promise.all([promising, noting]);
  expect((await app.contact(contact.id)).next_touch).toMatchObject({ kind: 'promise', at: due });
});

/** Until some other transaction waits for a lock. */
async function waitsForLock(of: TestApp): Promise<void> {
  for (;;) {
    const row = await of.db.first<{ n: number }>(
      `select count(*)::int as n from pg_stat_activity where datname = current_database() and wait_event_type = 'Lock'`,
    );
    if (row!.n > 0) return;
  }
}
