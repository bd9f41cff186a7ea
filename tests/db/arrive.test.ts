/** Arriving: a lead is kept raw, cleaned, matched or made new; nothing is lost, nothing is doubled. */
import { readInquiry } from '@/core/capture/schemas';
import { openApp, type TestApp } from '../harness/test-app';

let app: TestApp;
beforeAll(async () => {
  app = await openApp();
});
afterAll(async () => {
  expect(await app.verified()).toEqual([]);
  await app.close();
});

const count = async (table: string) => (await app.db.first<{ n: number }>(`select count(*)::int as n from ${table}`))!.n;

test('a new person becomes a contact, cleaned, with the raw inquiry kept as it came', async () => {
  const { contact, inquiry, routing } = await app.arrives({
    first_name: 'ODA',
    last_name: 'van der BERG',
    emails: ['Oda@Berg.Example'],
    phones: ['(564) 555-0123'],
    permissions: { text: true, email: false },
    tags: ['choir'],
  });
  expect(contact.status).toBe('created');
  expect(routing.because).toMatch(/Rung 1, “Buyers”: Coast agents \(round robin\), .* was next/);
  const stored = await app.contact(contact.id);
  expect(stored).toMatchObject({
    first_name: 'Oda',
    last_name: 'van der BERG',
    emails: ['oda@berg.example'],
    phones: ['+15645550123'],
    stage: { key: 'new' },
    tags: ['choir'],
    time_zone: 'America/Los_Angeles',
  });
  expect(stored.permissions).toEqual({ call: 'unknown', text: 'granted', email: 'withdrawn', letter: 'unknown' });
  const { raw } = await app.m.capture.findInquiry(app.scope, inquiry.id);
  expect(raw).toMatchObject({ person: { first_name: 'ODA', phones: ['(564) 555-0123'] } });
});

test('a returning person is a new inquiry on the same contact and stays with their agent, by email or by phone in another spelling', async () => {
  const first = await app.arrives({ emails: ['back@again.example'], phones: ['+1 564 555 0133'] });
  const byMail = await app.arrives({ emails: ['BACK@again.example'] });
  const byPhone = await app.arrives({ phones: ['564.555.0133'], emails: ['second@again.example'] });
  expect(byMail.contact).toMatchObject({ id: first.contact.id, status: 'matched' });
  expect(byPhone.contact).toEqual({
    id: first.contact.id,
    status: 'matched',
    because: 'Matched to Oda Brandvold: the same phone and the same name.',
  });
  expect(byPhone.routing.agent).toEqual(first.routing.agent);
  expect(byPhone.routing.because).toMatch(/^Returning, so stays with/);
  expect((await app.contact(first.contact.id)).emails).toEqual(['back@again.example', 'second@again.example']);
  expect((await app.story(first.contact.id)).filter((line) => line.startsWith('inquiry'))).toHaveLength(3);
});

test('the same lead twenty times at the same moment is one contact with twenty inquiries', async () => {
  const before = await count('contacts');
  const answers = await Promise.all(
    Array.from({ length: 20 }, () => app.arrives({ emails: ['storm@same.example'], phones: ['5645550144'] })),
  );
  expect(new Set(answers.map(({ contact }) => contact.id)).size).toBe(1);
  expect(answers.filter(({ contact }) => contact.status === 'created')).toHaveLength(1);
  expect(await count('contacts')).toBe(before + 1);
});

test('the same idempotency key answers as the first time, also at once, and refuses another body', async () => {
  const before = await count('inquiries');
  const lead = { emails: ['once@key.example'] };
  const answers = await Promise.all(Array.from({ length: 5 }, () => app.arrives(lead, { idempotencyKey: 'k1' })));
  expect(new Set(answers.map((answer) => JSON.stringify(answer))).size).toBe(1);
  expect(await count('inquiries')).toBe(before + 1);
  await expect(app.arrives({ emails: ['other@key.example'] }, { idempotencyKey: 'k1' })).rejects.toMatchObject({
    code: 'idempotency_mismatch',
  });
});

test('hostile words are stored as given: emoji, right to left, markup, formulas, a null character', async () => {
  const { contact, inquiry } = await app.arrives({
    first_name: '=HYPERLINK("x")',
    last_name: 'מרים 🏡<b>',
    emails: ['odd@name.example'],
    message: '<script>alert(1)</script>\u0000 +1 "; drop table contacts; --',
  });
  const stored = await app.contact(contact.id);
  expect(stored.first_name).toBe('=HYPERLINK("x")');
  expect(stored.last_name).toBe('מרים 🏡<b>');
  const { ask } = await app.m.capture.findInquiry(app.scope, inquiry.id);
  expect(ask).toBe('<script>alert(1)</script> +1 "; drop table contacts; --');
});

test('an agent who adds a lead keeps it; an admin’s goes down the ladder; a seller lands in the safety net', async () => {
  const saved = await app.arrives({ emails: ['kept@hand.example'] }, { by: 'Brisa' });
  expect(saved.routing.agent!.id).toBe(app.users.Brisa!.id);
  const routed = await app.arrives({ emails: ['routed@hand.example'] }, { by: 'Ada' });
  expect(routed.routing.because).toMatch(/round robin/);
  const seller = await app.arrives({ emails: ['seller@hand.example'], roles: ['seller'] });
  expect(seller.routing).toMatchObject({
    agent: { id: app.users.Ada!.id },
    because: 'No rung matched, so it goes to the safety net: Ada Test.',
  });
});

test('search finds by the beginning of a name, by a phone in any spelling, without accents, by tag', async () => {
  await app.arrives({
    first_name: 'Zoë',
    last_name: 'Quennell',
    emails: ['zoe@find.example'],
    phones: ['(564) 555-0199'],
    tags: ['Rowing club'],
  });
  for (const q of ['zoe', 'quenn', 'ZOË que', '564-555-0199', '5550199', 'rowing', 'zo']) {
    const { items } = await app.m.contacts.listContacts(app.scope, { q, limit: 10 });
    expect({ q, names: items.map((item) => item.last_name) }).toEqual({ q, names: ['Quennell'] });
  }
  expect((await app.m.contacts.listContacts(app.scope, { q: '%', limit: 10 })).items).toHaveLength(0);
});

test('a door gives a horizon to whoever is new, and a campaign where no rung begins one', async () => {
  const door = await app.m.capture.doorOfKind('1', 'api');
  const given = { ...door, defaults: { horizon: 'hot', campaign_id: '1' } };
  const arrive = (email: string, roles: string[]) => {
    const raw = { person: { first_name: 'Oda', last_name: 'Brandvold', emails: [email], phones: [] }, roles };
    return app.m.capture.captureInquiry({ door: given, raw, inquiry: readInquiry(raw), idempotencyKey: null, byPerson: null });
  };
  const seller = await arrive('seller@given.example', ['seller']);
  expect((await app.contact(seller.contact.id)).horizon).toBe('hot');
  expect(await app.story(seller.contact.id)).toContainEqual(expect.stringContaining('New buyer'));
  await app.m.contacts.updateContact(app.as('Ada'), seller.contact.id, { horizon: 'someday' });
  await arrive('seller@given.example', ['seller']);
  expect((await app.contact(seller.contact.id)).horizon).toBe('someday');
});
