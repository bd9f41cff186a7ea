/** Templates with their versions, caps and A/B tests; words in campaigns; trying on oneself; the inbox; the assistant's conversations; the registry. */
import { NO_PLAN, type Plan, type Step } from '@/core/campaigns';
import { DEFAULT_QUESTIONS, TALK_ASKS } from '@/core/conversations';
import { appForEach } from '../harness/each';

const app = appForEach();
const ada = () => app().as('Ada');
const templates = () => app().m.templates;
const WORDS = {
  subject: 'Homes',
  text: '{Hello|Good day} {{ first_name }}, {{ agent_name }} at {{ brokerage }}.',
  plain: 'Hello from {{ brokerage }}.',
};
const NOW_AT = { after: 'start', minutes: 0 } as const;
const touch = (id: number, more: object = {}): Step => ({
  id,
  do: 'touch',
  channel: 'email',
  when: NOW_AT,
  words: { subject: 'Own', text: 'Own words', plain: 'Own' },
  ...more,
});

async function running(steps: Step[], more: Partial<Plan> = {}) {
  const { campaigns } = app().m;
  const draft = await campaigns.createCampaign(ada(), { name: `C${Math.random()}` });
  const saved = await campaigns.saveVersion(ada(), draft.id, { plan: { ...NO_PLAN, steps, ...more }, seen: draft.version.id });
  return campaigns.updateCampaign(ada(), saved.id, { state: 'on' });
}
const somebody = async (n: number, more: object = {}) =>
  (
    await app().arrives({
      first_name: `P${n}`,
      emails: [`p${n}@people.example`],
      phones: [`(564) 555-0${100 + n}`],
      roles: ['seller'],
      permissions: { email: true, text: true },
      ...more,
    })
  ).contact.id;
const mails = () =>
  app()
    .received('email')
    .filter(({ key }) => key.startsWith('e'));

test('a touch goes by its template as it is then; the wording and variants it had are counted, and answers with them', async () => {
  const made = await templates().createTemplate(ada(), { channel: 'email', name: 'First mail', words: WORDS });
  const campaign = await running([
    touch(0, { from: { template: made.id } }),
    touch(1, { when: { after: 'start', days: 2, at: '10:00' }, from: { template: made.id } }),
  ]);
  const ids: string[] = [];
  for (let n = 1; n <= 8; n += 1) ids.push(await somebody(n));
  app().world.people.script('p1@people.example', { answers: [{ to: 'email', after: 'PT1H', body: 'Hello back' }] });
  for (const id of ids) await app().m.campaigns.enrollContact(ada(), id, campaign.id);
  await app().settle();
  expect(mails()).toHaveLength(8);
  expect(mails().every(({ body }) => /^(?:Hello|Good day) P\d, /.test(body))).toBe(true);
  await app().advance('PT2H');
  const now = await templates().findTemplate(app().scope, made.id);
  expect(now).toMatchObject({ version: 1, campaigns: 1, brought: { sent: 8, delivered: 8, answered: 1, opted_out: 0 } });
  const variants = await templates().listVariantResults(app().scope, made.id);
  expect(variants.map(({ text, sent }) => [text, sent])).toEqual([
    ['Hello', mails().filter(({ body }) => body.startsWith('Hello')).length],
    ['Good day', mails().filter(({ body }) => body.startsWith('Good day')).length],
  ]);
  expect(variants.reduce((sum, { answered }) => sum + answered, 0)).toBe(1);
  const other = await templates().updateTemplate(ada(), made.id, { words: { ...WORDS, text: 'Other words, {{ first_name }}.' } });
  expect(other).toMatchObject({ version: 2, brought: { sent: 0 } });
  await expect(templates().updateTemplate(ada(), made.id, { words: { ...WORDS, text: '{{ nobody }}' } })).rejects.toMatchObject({
    code: 'input_invalid',
  });
  await expect(templates().updateTemplate(ada(), made.id, { name: 'x', seen: 1 })).rejects.toMatchObject({ code: 'conflict' });
  await app().advance('P2D');
  expect(mails().filter(({ body }) => body.startsWith('Other words'))).toHaveLength(7);
  await templates().deleteTemplate(ada(), made.id);
  const later = await somebody(9);
  await app().m.campaigns.enrollContact(ada(), later, campaign.id);
  await app().settle();
  expect(mails().at(-1)!.body).toContain('Own words');
});

test('templates are of the team or one’s own; whoever may not change one copies it', async () => {
  const mine = await templates().createTemplate(app().as('Abel'), {
    channel: 'text',
    name: 'Mine',
    words: { text: 'x', plain: 'x' },
  });
  expect(mine).toMatchObject({ shared: false, may_change: true });
  expect((await templates().listTemplates(app().scopeOf('Brisa'))).map(({ name }) => name)).not.toContain('Mine');
  const team = await templates().createTemplate(ada(), { channel: 'text', name: 'Team', words: { text: 'x', plain: 'x' } });
  await expect(templates().updateTemplate(app().as('Abel'), team.id, { name: 'y' })).rejects.toMatchObject({
    code: 'not_allowed',
  });
  await expect(templates().findTemplate(app().scopeOf('Brisa'), mine.id)).rejects.toMatchObject({ code: 'not_found' });
  const { findings, errors } = await templates().checkTemplate(ada(), {
    channel: 'text',
    words: { text: '{{ nobody }} act now', plain: '' },
  });
  expect(errors).toBe(2);
  expect(findings.map(({ rule }) => rule)).toEqual(expect.arrayContaining(['unknown_field', 'plain_missing', 'filter_word']));
});

test('the daily cap of a template moves what is over it to the next morning', async () => {
  const made = await templates().createTemplate(ada(), { channel: 'email', name: 'Capped', words: WORDS });
  await templates().updateTemplate(ada(), made.id, { day_cap: 2 });
  const campaign = await running([touch(0, { from: { template: made.id } })]);
  for (let n = 1; n <= 5; n += 1) await app().m.campaigns.enrollContact(ada(), await somebody(n), campaign.id);
  await app().settle();
  expect(mails()).toHaveLength(2);
  await app().advance('P1D');
  expect(mails()).toHaveLength(4);
  await app().advance('P1D');
  expect(mails()).toHaveLength(5);
  const story = (
    await app().story(
      (await app().db.first<{ id: string }>(`select contact_id as id from activities where kind = 'waits' limit 1`))!.id,
    )
  ).join('\n');
  expect(story).toContain('“Capped” is limited to 2 a day');
});

test('an A/B test hands out evenly, the same to the same message, and its winner alone once it is named', async () => {
  const [a, b] = [
    await templates().createTemplate(ada(), { channel: 'email', name: 'A', words: { ...WORDS, text: 'Wording A' } }),
    await templates().createTemplate(ada(), { channel: 'email', name: 'B', words: { ...WORDS, text: 'Wording B' } }),
  ];
  const call = await templates().createTemplate(ada(), { channel: 'call', name: 'Script', words: { text: 'x', plain: 'x' } });
  await expect(templates().createAbTest(ada(), { name: 'Mixed', template_ids: [a.id, call.id] })).rejects.toMatchObject({
    code: 'input_invalid',
  });
  const abTest = await templates().createAbTest(ada(), { name: 'A or B', template_ids: [a.id, b.id] });
  const campaign = await running([touch(0, { from: { challenge: abTest.id } })]);
  for (let n = 1; n <= 30; n += 1) await app().m.campaigns.enrollContact(ada(), await somebody(n), campaign.id);
  await app().settle();
  const of = (letter: string) => mails().filter(({ body }) => body.startsWith(`Wording ${letter}`)).length;
  expect(of('A') + of('B')).toBe(30);
  /* Each gets its share: of thirty, fewer than eight would be chance once in two hundred. */
  expect(Math.min(of('A'), of('B'))).toBeGreaterThanOrEqual(8);
  const [view] = await templates().listAbTests(app().scope);
  expect(view!.entrants.map(({ name, sent }) => [name, sent])).toEqual([
    ['A', of('A')],
    ['B', of('B')],
  ]);
  await templates().endAbTest(ada(), abTest.id, b.id);
  const before = of('B');
  for (let n = 31; n <= 36; n += 1) await app().m.campaigns.enrollContact(ada(), await somebody(n), campaign.id);
  await app().settle();
  expect(of('B')).toBe(before + 6);
});

test('tried on oneself it goes to one’s own phone and mailbox, filled in for a contact, and leaves no trace at them', async () => {
  const id = await somebody(1);
  const user = app().users.Ada!;
  const before = await app().story(id);
  const { handTrial } = await import('../../src/worker/messages/trial');
  const doc = {
    type: 'doc' as const,
    content: [{ type: 'heading', attrs: { level: 2 }, content: [{ type: 'text', text: 'For {{ first_name }}' }] }],
  };
  const trials = [
    { channel: 'text' as const, words: { text: 'Hello {{ first_name }}', plain: 'x' } },
    { channel: 'email' as const, words: { ...WORDS, doc } },
    { channel: 'letter' as const, words: { subject: 'L', text: 'Dear {{ first_name }}', plain: 'x' } },
  ];
  await app().db.run('update users set phone = $2 where id = $1', [user.id, '+15645550190']);
  expect(await app().m.messages.sendTrial({ ...user, phone: '+15645550190' }, trials, id)).toEqual({ sent: 3 });
  const jobs = await app().db.rows<{ payload: never }>(
    `select payload from graphile_worker._private_jobs j join graphile_worker._private_tasks t on t.id = j.task_id where t.identifier = 'messages.try' order by j.id`,
  );
  for (const { payload } of jobs) await handTrial(payload, app().outside);
  for (const { payload } of jobs) await handTrial(payload, app().outside);
  expect(
    app()
      .received('text')
      .map(({ to, body }) => [to, body.slice(0, 8)]),
  ).toEqual([['+15645550190', 'Hello P1']]);
  expect(
    app()
      .received('email')
      .map(({ to, subject }) => [to, subject]),
  ).toEqual([
    [user.email, 'Homes'],
    [user.email, 'L'],
  ]);
  expect(await app().story(id)).toEqual(before);
  await expect(app().m.messages.sendTrial({ ...user, phone: null }, trials, null)).rejects.toMatchObject({
    code: 'input_invalid',
  });
});

test('what people wrote stands in the inbox by person, with what is next, until it is read or answered', async () => {
  const [one, two, other] = [await somebody(1), await somebody(2), await somebody(3, { assigned_to: 'brisa@house.example' })];
  const text = (n: number, body: string) =>
    app().m.messages.receiveText({
      eventId: `e${n}-${body}`,
      from: `+1564555010${n}`,
      to: '',
      body,
      at: new Date('2026-11-23T18:00:00Z'),
    });
  await text(1, 'Could you call me this evening?');
  await text(1, 'Around six');
  await text(2, 'STOP');
  const { messages } = app().m;
  const { items } = await messages.listAnswers(app().scope, { unread: true, limit: 10 });
  expect(items.map(({ contact_id, unread_n, next, text: words }) => [contact_id, unread_n, next.do, words])).toEqual([
    [two, 1, 'nothing', 'STOP'],
    [one, 2, 'answer', 'Around six'],
  ]);
  await messages.markRead(app().scope, two, true);
  await messages.sendMessage(ada(), one, { channel: 'text', text: 'Gladly' });
  await app().settle();
  expect((await messages.listAnswers(app().scope, { unread: true, limit: 10 })).items).toEqual([]);
  await text(3, 'Who is this?');
  await messages.markRead(app().scope, one, false);
  expect(
    (await messages.listAnswers(app().scope, { unread: true, limit: 10 })).items.map(({ contact_id }) => contact_id).sort(),
  ).toEqual([one, other].sort());
  const all = await messages.listAnswers(app().scope, { unread: false, limit: 2 });
  expect(all.items).toHaveLength(2);
  expect((await messages.listAnswers(app().scope, { unread: false, limit: 2, cursor: all.next })).items).toHaveLength(1);
});

test('the assistant asks, understands, writes down and hands over; the campaign stops, and a person of ours ends it', async () => {
  const { db } = app();
  const field = (await db.first<{ id: string }>(
    `insert into fields (account_id, name, kind, choices, position, made_at) values (1, 'Lender', 'text', '{}', 1, now()) returning id`,
  ))!.id;
  const conversation: Step = {
    id: 0,
    do: 'talk',
    when: NOW_AT,
    questions: TALK_ASKS.map((asks) => ({ asks, words: DEFAULT_QUESTIONS[asks], fieldId: asks === 'financing' ? field : null })),
  };
  const campaign = await running([conversation, touch(1, { when: { after: 'start', days: 1, at: '10:00' } })]);
  const [full, handed, ours] = [await somebody(1), await somebody(2), await somebody(3)];
  const answers = (n: number, bodies: string[]) =>
    app().world.people.script(`+1564555010${n}`, { answers: bodies.map((body) => ({ to: 'text', after: 'PT2M', body })) });
  answers(1, ['in about three months', 'Saltmarsh', 'up to 450', 'yes', 'no']);
  answers(2, ['what is this about']);
  for (const id of [full, handed, ours]) await app().m.campaigns.enrollContact(ada(), id, campaign.id);
  await app().advance('PT1H');
  const texts = (n: number) =>
    app()
      .received('text')
      .filter(({ to }) => to === `+1564555010${n}`)
      .map(({ body }) => body);
  expect(texts(1)).toHaveLength(6);
  expect(texts(1).every((body) => /assistant/.test(body))).toBe(true);
  expect(texts(1)[0]).toMatch(/STOP/);
  const { items: found } = await app().m.contacts.listContacts(app().scope, { q: 'P1', limit: 1 });
  expect(found[0]).toMatchObject({
    horizon: 'warm',
    wants: { areas: ['Saltmarsh'], price_max: 450_000 },
    stage: { key: 'talking' },
  });
  expect(await db.first(`select words from field_values where contact_id = $1 and field_id = $2`, [full, field])).toEqual({
    words: 'yes',
  });
  expect(texts(2)).toHaveLength(2);
  expect((await app().story(handed)).join('\n')).toContain('The assistant handed off: “what is this about”');
  const states = () => db.rows<{ state: string }>('select state from assistant_conversations order by contact_id');
  expect((await states()).map(({ state }) => state)).toEqual(['done', 'handed', 'open']);
  await app().m.messages.sendMessage(ada(), ours, { channel: 'text', text: 'It is me' });
  await app().settle();
  expect((await states()).map(({ state }) => state)).toEqual(['done', 'handed', 'stopped']);
  await app().advance('P2D');
  expect(mails().map(({ to }) => to)).toEqual(['p3@people.example']);
  expect(await app().verified()).toEqual([]);
});

test('a number on the registry is not called by a campaign unless they agreed or asked lately; it is asked about once a month', async () => {
  const { db, m } = app();
  const id = await somebody(1);
  app().world.people.script('+15645550101', { registered: true });
  const asked = () => m.contacts.checkRegistry(100, (numbers) => app().outside.registry.registered(numbers));
  expect(await asked()).toBe(1);
  expect(await asked()).toBe(0);
  const calls = async () =>
    (await db.first<{ n: number }>(`select count(*)::int as n from tasks where contact_id = $1`, [id]))!.n;
  const campaign = async () => running([touch(0, { channel: 'call', words: { text: 'Ask', plain: 'Ask' } })]);
  await m.campaigns.enrollContact(ada(), id, (await campaign()).id);
  await app().settle();
  expect(await calls()).toBe(1);
  await app().setClock(new Date('2027-03-03T19:00:00Z'));
  await m.campaigns.enrollContact(ada(), id, (await campaign()).id);
  await app().settle();
  expect(await calls()).toBe(1);
  expect((await app().story(id)).at(-1)).toContain('finished');
  expect((await app().story(id)).join('\n')).toContain('do-not-call registry');
  await expect(m.calling.startCall(ada(), id)).rejects.toMatchObject({ code: 'touch_refused' });
  expect(await asked()).toBe(1);
  expect(await asked()).toBe(0);
});

test('the first text to somebody says who writes and how to have no more; the next does not repeat it', async () => {
  const campaign = await running([
    touch(0, { channel: 'text', words: { text: 'When may I call?', plain: 'x' } }),
    touch(1, { channel: 'text', when: { after: 'start', days: 1, at: '10:00' }, words: { text: 'Still looking?', plain: 'x' } }),
  ]);
  await app().m.campaigns.enrollContact(ada(), await somebody(1), campaign.id);
  await app().advance('P2D');
  const [first, second] = app()
    .received('text')
    .map(({ body }) => body);
  expect(first).toMatch(/^When may I call\? - \w+, .+\. Reply STOP to opt out\.$/);
  expect(second).toBe('Still looking?');
});

test('every email shows the office’s mailing address; without one nothing that sells is begun, and what is due waits', async () => {
  const { m } = app();
  const ada = app().as('Ada');
  const id = (await app().arrives({ emails: ['p1@people.example'], roles: ['seller'], permissions: { email: true } })).contact.id;
  const words = { subject: 'Prices', text: 'Prices went up.', plain: 'Prices went up.' };
  const draft = await m.broadcasts.createBroadcast(ada, { name: 'Prices', channel: 'email', selection: { ids: [id] }, words });
  await app().db.run(`update accounts set settings = settings - 'postalAddress'`);
  await expect(m.broadcasts.startBroadcast(ada, draft.id)).rejects.toMatchObject({
    code: 'input_invalid',
    facts: { fields: [{ field: 'postal_address', message: expect.any(String) }] },
  });
  await m.accounts.updateSettings(ada, { postal_address: '12 Quay Street, Quillhaven, WA 98701' });
  await m.broadcasts.startBroadcast(ada, draft.id);
  await app().settle();
  const mails = app()
    .received()
    .filter(({ to }) => to === 'p1@people.example');
  expect(mails).toHaveLength(1);
  expect(mails[0]!.body).toContain('Test House, 12 Quay Street, Quillhaven, WA 98701');
  await app().db.run(`update accounts set settings = settings - 'postalAddress'`);
  await app().db.run(`update outbox set state = 'waiting', key = key || '-2' where contact_id = $1`, [id]);
  await app().db.run(`update broadcasts set state = 'going'`);
  await app().settle();
  expect(await app().story(id)).toContainEqual(expect.stringContaining('mailing address in Setup'));
});

test('a number that nobody asked the registry about is not dialed until it was', async () => {
  const { m } = app();
  const id = (await app().arrives({ phones: ['+13605550171'], roles: ['seller'] })).contact.id;
  /* So long ago that their question makes nobody welcome any more. */
  await app().setClock(new Date('2027-03-15T18:00:00Z'));
  const call = () => m.calling.startCall(app().as('Ada'), id);
  await expect(call()).rejects.toMatchObject({ code: 'touch_refused', message: expect.stringContaining('checking this number') });
  await m.contacts.checkRegistry(100, (numbers) => app().outside.registry.registered(numbers));
  await expect(call()).resolves.toMatchObject({ contact_id: id });
});
