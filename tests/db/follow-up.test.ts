/** Following up: the starter campaign through days, obeying permission, opt-out and quiet hours; ended by an answer, a STOP, a stage. */
import { appForEach } from '../harness/each';
import type { TestApp } from '../harness/test-app';

const opened = appForEach();
let app: TestApp;
beforeEach(() => {
  app = opened();
});

const YES = { call: true, text: true, email: true };
const ODA = {
  emails: ['oda@brandvold.example'],
  phones: ['+15645550123'],
  permissions: YES,
  place: { city: 'Saltmarsh', postal_code: '98741', street: '14 Heron Lane' },
};

test('text at once, email next day at nine, call task on day 2, a letter as a real page on day 5, each at its own time', async () => {
  const { contact } = await app.arrives(ODA);
  await app.advance('P6D');
  const sent = app.received();
  expect(sent.map(({ channel, at }) => `${channel} ${at}`)).toEqual([
    'text 2026-11-23T18:00:00.000Z',
    'email 2026-11-24T17:00:00.000Z',
    'letter 2026-11-28T17:00:00.000Z',
  ]);
  expect(sent[0]!.body).toMatch(/^Hi Oda, it's \w+ with Test House\. Thanks for asking about homes in Saltmarsh\./);
  expect(sent[1]!.extra.list_unsubscribe).toMatch(/^http:\/\/127\.0\.0\.1:9\/u\//);
  expect(sent[2]!.extra).toMatchObject({ is_pdf: true, name: 'Oda Brandvold' });
  expect(sent[2]!.extra.pdf_bytes).toBeGreaterThan(5_000);
  const tasks = await app.db.rows<{ due_at: Date }>('select due_at from tasks where contact_id = $1', [contact.id]);
  expect(tasks.map(({ due_at }) => due_at.toISOString())).toEqual(['2026-11-25T18:00:00.000Z']);
  expect((await app.story(contact.id)).slice(-2).sort()).toEqual([
    'finished: “New buyer” finished.',
    'message letter: “New buyer”, day 5.',
  ]);
});

test('whoever wants no letters gets none, from a campaign or by hand, also after moving house; the timeline says why', async () => {
  const { contact } = await app.arrives(ODA);
  await app.m.contacts.setPermission(app.as('Ada'), contact.id, 'letter', 'withdrawn', 'too much paper');
  await app.m.contacts.updateContact(app.as('Ada'), contact.id, { place: { street: '3 Tern Row' } });
  await app.advance('P6D');
  expect(app.received('letter')).toEqual([]);
  expect(await app.story(contact.id)).toContainEqual(expect.stringMatching(/^held letter: .*too much paper/));
  await expect(
    app.m.messages.sendMessage(app.as('Ada'), contact.id, { channel: 'letter', text: 'Dear Oda' }),
  ).rejects.toMatchObject({ code: 'touch_refused' });
});

describe('a household', () => {
  const couple = async () => {
    const jago = (await app.arrives({ ...ODA, first_name: 'Jago', last_name: 'Eskerling' })).contact.id;
    const gideon = (
      await app.arrives({ ...ODA, first_name: 'Gideon', last_name: 'Eskerling', emails: ['gideon@x.example'], phones: [] })
    ).contact.id;
    await app.m.duplicates.joinHousehold(app.as('Ada'), jago, gideon);
    return { jago, gideon };
  };
  const write = (to: string, channel: 'text' | 'email' | 'letter') =>
    app.m.messages.sendMessage(app.as('Ada'), to, { channel, text: 'Tea on Sunday?', both: true });

  test('is written to together: one letter with both names, an email to each; whoever said no is left out, with the reason', async () => {
    const { jago, gideon } = await couple();
    expect((await write(jago, 'letter')).others).toEqual([{ name: 'Gideon Eskerling', because: null, sent: true }]);
    await app.settle();
    expect(app.received('letter').map(({ extra }) => extra.name)).toEqual(['Jago and Gideon Eskerling']);
    await write(jago, 'email');
    await app.settle();
    expect(
      app
        .received('email')
        .filter(({ body }) => body.includes('Tea on Sunday'))
        .map(({ to }) => to)
        .sort(),
    ).toEqual(['gideon@x.example', 'oda@brandvold.example']);
    await app.m.contacts.setPermission(app.as('Ada'), gideon, 'letter', 'withdrawn', '');
    expect((await write(jago, 'letter')).others[0]).toMatchObject({ sent: false, because: expect.stringMatching(/withdrawn/) });
    await app.settle();
    expect(app.received('letter').map(({ extra }) => extra.name)).toEqual(['Jago and Gideon Eskerling', 'Jago Eskerling']);
  });

  test('and fields of one’s own stand in what a campaign writes', async () => {
    const field = await app.m.vocabulary.createField(app.as('Ada'), { name: 'Boat', kind: 'text', choices: [] });
    await app.db.run(
      `update campaign_versions set plan = jsonb_set(plan, '{steps,0,words}', '{"text":"Hello {{ first_names }}, how is the {{ field.Boat }}?","plain":"Hello."}')`,
    );
    const { jago, gideon } = await couple();
    await app.m.contacts.updateContact(app.as('Ada'), jago, { fields: { [field.id]: 'Tern' } });
    await app.settle();
    expect(app.received('text').map(({ body }) => body)).toEqual([
      expect.stringContaining('Hello Jago and Gideon, how is the Tern?'),
    ]);
    expect(await app.story(gideon)).not.toContainEqual(expect.stringMatching(/^message text/));
  });
});

test('at night the text waits until eight o’clock at the contact and says so once', async () => {
  await app.setClock(new Date('2026-11-24T02:30:00Z'));
  const { contact } = await app.arrives({ ...ODA, place: { city: 'Elsewhere', postal_code: '10001', street: '1 A' } });
  await app.advance('PT12H');
  expect((await app.contact(contact.id)).time_zone).toBe('America/New_York');
  expect(app.received('text').map(({ at }) => at)).toEqual(['2026-11-24T13:00:00.000Z']);
  expect((await app.story(contact.id)).filter((line) => line.startsWith('waits'))).toEqual([
    'waits text: The text waits until Tue, Nov 24, 8:00 AM: we send 8 AM–9 PM their time.',
  ]);
});

test('without permission the text does not go and the timeline says why; the rest goes on', async () => {
  const { contact } = await app.arrives({ ...ODA, permissions: { email: true } });
  await app.advance('P1D');
  expect(app.received().map(({ channel }) => channel)).toEqual(['email']);
  expect(await app.story(contact.id)).toContain('held text: The text was not sent: no permission for texts.');
});

test('an answer by text stands in the timeline, stops the campaign, moves the stage and raises a hand at the top of Today', async () => {
  app.world.people.script('+15645550123', { answers: [{ to: 'text', after: 'PT10M', body: 'yes please' }] });
  const { contact, routing } = await app.arrives(ODA);
  await app.arrives({ emails: ['later@lead.example'] });
  await app.advance('P6D');
  expect(app.received().filter(({ to }) => to === '+15645550123')).toHaveLength(1);
  const story = await app.story(contact.id);
  expect(story).toContain('message text in: yes please');
  expect(story).toContain('stopped: “New buyer” stopped: they replied by text.');
  expect((await app.contact(contact.id)).stage.key).toBe('talking');
  const agent = Object.values(app.users).find(({ id }) => id === routing.agent!.id)!;
  const today = await app.m.today.readToday(app.scopeOf(agent.firstName), agent);
  expect(today.groups[0]).toMatchObject({
    key: 'asked',
    entries: [{ contactId: contact.id, reasons: [{ text: 'yes please' }] }],
  });
});

test('an answer by mail does the same, without the quoted text; an automatic one does not', async () => {
  app.world.people.script('oda@brandvold.example', {
    answers: [{ to: 'email', after: 'PT2H', body: 'Wednesday is good\n\nOn Tue, Abel wrote:\n> Good morning' }],
  });
  const { contact } = await app.arrives({ ...ODA, phones: [] });
  await app.m.messages.receiveMail({
    messageId: '<auto@x>',
    from: 'oda@brandvold.example',
    fromName: '',
    toLocalParts: [],
    subject: 'Out of office',
    text: 'Back Monday',
    autoReply: true,
  });
  expect((await app.contact(contact.id)).stage.key).toBe('new');
  await app.advance('P2D');
  expect(await app.story(contact.id)).toContain('message email in: Wednesday is good');
  expect(await app.story(contact.id)).toContain('stopped: “New buyer” stopped: they replied by email.');
});

test('STOP withdraws the permission for good: no campaign, no hand, no form brings a text back', async () => {
  app.world.people.script('+15645550123', { answers: [{ to: 'text', after: 'PT5M', body: ' Stop. ' }] });
  const { contact } = await app.arrives(ODA);
  await app.advance('PT1H');
  await app.arrives(ODA);
  await app.advance('P1D');
  const after = await app.contact(contact.id);
  expect(after.permissions.text).toBe('withdrawn');
  expect(after.stage.key).toBe('new');
  /* The first text, and the one confirmation. */
  expect(app.received('text')).toHaveLength(2);
  expect(await app.story(contact.id)).toContain('stopped: “New buyer” stopped: they opted out of texts.');
  await expect(app.m.messages.sendMessage(app.as('Ada'), contact.id, { channel: 'text', text: 'please?' })).rejects.toMatchObject(
    { code: 'touch_refused' },
  );
  await expect(app.m.contacts.setPermission(app.as('Ada'), contact.id, 'text', 'granted', 'she said so')).rejects.toMatchObject({
    code: 'input_invalid',
  });
});

test('the unsubscribe link does it for email, and once more does no harm; a forged link is none', async () => {
  const { contact } = await app.arrives({ ...ODA, phones: [] });
  await app.advance('P1D');
  const token = /\/u\/(\S+)/.exec(app.received('email')[0]!.body)![1]!;
  await app.m.messages.unsubscribe(token);
  await app.m.messages.unsubscribe(token);
  expect((await app.contact(contact.id)).permissions.email).toBe('withdrawn');
  expect((await app.story(contact.id)).filter((line) => line.startsWith('permission email: No'))).toHaveLength(1);
  await expect(app.m.messages.unsubscribe(`${token.slice(0, -2)}xx`)).rejects.toMatchObject({ code: 'not_found' });
});

test('stage Client ends the follow-up; nothing more goes by itself', async () => {
  const { contact } = await app.arrives(ODA);
  await app.settle();
  await app.m.contacts.updateContact(app.as('Ada'), contact.id, { stage: 'client' });
  await app.advance('P6D');
  expect(app.received().map(({ channel }) => channel)).toEqual(['text']);
  expect(await app.story(contact.id)).toContain('stopped: “New buyer” ended: the stage is Client.');
});

test('a lead who is on the phone with the agent gets no automatic text, and the timeline says so', async () => {
  const { contact } = await app.arrives({ ...ODA, on_the_phone: true });
  await app.advance('P1D');
  expect(app.received()).toEqual([]);
  expect(await app.story(contact.id)).toContain(
    'held: “New buyer” was not started: the agent is already on the phone with them.',
  );
});

test('an answer between the decision and the hand-over still stops the message', async () => {
  const { contact } = await app.arrives(ODA);
  await app.m.campaigns.carryOutDue();
  await app.m.messages.receiveText({
    eventId: 'early',
    from: '+15645550123',
    to: '+13605550101',
    body: 'call me',
    at: new Date('2026-11-23T18:00:00Z'),
  });
  await app.settle();
  expect(app.received()).toEqual([]);
  expect(await app.story(contact.id)).toContain('held text: The text was not sent: they replied first.');
});

test('mail to a mailbox that is not there comes back: the address is marked, the next mail does not go', async () => {
  app.world.people.script('oda@brandvold.example', { mail: 'bounces' });
  const { contact } = await app.arrives({ ...ODA, phones: [] });
  await app.advance('P1D');
  expect((await app.story(contact.id)).some((line) => line.startsWith('bounced email: The email wasn’t delivered'))).toBe(true);
  await expect(app.m.messages.sendMessage(app.as('Ada'), contact.id, { channel: 'email', text: 'again' })).rejects.toMatchObject({
    code: 'touch_refused',
  });
});

test('providers that fail before or after taking a message, or are down, get each key once', async () => {
  app.world.sky.set({ all: 'failing' });
  await Promise.all(
    Array.from({ length: 30 }, (_, n) =>
      app.arrives({ ...ODA, emails: [`w${n}@rain.example`], phones: [`+1253555${String(100 + n).padStart(4, '0')}`] }),
    ),
  );
  for (let round = 0; round < 8; round += 1) {
    if (round === 3) app.world.sky.set({ all: 'fine' });
    await app.db.run('update outbox set retry_at = null');
    await app.settle();
  }
  const texts = app.received('text');
  expect(texts).toHaveLength(30);
  expect(new Set(texts.map(({ to }) => to)).size).toBe(30);
  expect(app.world.record.repeats).toBeGreaterThan(0);
});

test('the same webhook twice is one message; a stranger’s text is an inquiry', async () => {
  const { contact } = await app.arrives(ODA);
  const text = {
    eventId: 'evt_1',
    from: '+15645550123',
    to: '+13605550101',
    body: 'hello',
    at: new Date('2026-11-23T18:05:00Z'),
  };
  await Promise.all([app.m.messages.receiveText(text), app.m.messages.receiveText(text)]);
  expect((await app.story(contact.id)).filter((line) => line === 'message text in: hello')).toHaveLength(1);
  await app.m.messages.receiveText({ ...text, eventId: 'evt_2', from: '+15095550177', body: 'Is Heron Lane for sale?' });
  const { items } = await app.m.contacts.listContacts(app.scope, { q: '5095550177', limit: 5 });
  expect(items).toHaveLength(1);
  expect(items[0]!.owner).not.toBeNull();
});

test('a stranger’s message delivered twice, also after they became a contact, is one inquiry and no answer', async () => {
  const text = {
    eventId: 'evt_9',
    from: '+15095550178',
    to: '+13605550101',
    body: 'Is Heron Lane for sale?',
    at: new Date('2026-11-23T18:05:00Z'),
  };
  const mail = {
    messageId: '<once@stranger.example>',
    from: 'new@stranger.example',
    fromName: 'Nea Strand',
    toLocalParts: ['agents'],
    subject: 'A house',
    text: 'Is it for sale?',
    autoReply: false,
  };
  await Promise.all([app.m.messages.receiveText(text), app.m.messages.receiveText(text)]);
  await app.m.messages.receiveText(text);
  await app.m.messages.receiveMail(mail);
  await app.m.messages.receiveMail(mail);
  for (const q of ['5095550178', 'new@stranger.example']) {
    const { items } = await app.m.contacts.listContacts(app.scope, { q, limit: 5 });
    const story = await app.story(items[0]!.id);
    expect([
      q,
      items.length,
      story.filter((line) => line.startsWith('inquiry')).length,
      story.filter((line) => line.startsWith('message')).length,
    ]).toEqual([q, 1, 1, 0]);
  }
});
