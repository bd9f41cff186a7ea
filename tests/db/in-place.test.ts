/** What is changed of a contact where it stands: phones and emails, a pinned note, groups of the timeline; tags of those selected, the audit. */
import { AppError } from '@/core/shared';
import { scopeFor } from '@/core/accounts';
import { TIMELINE_GROUP_KEYS, TIMELINE_GROUPS } from '@/core/contacts';
import { appForEach } from '../harness/each';

const app = appForEach();
const somebody = async (n: number) =>
  (await app().arrives({ first_name: `Oda${n}`, emails: [`oda${n}@x.example`], phones: [`564555010${n}`] }, { by: 'Abel' }))
    .contact.id;
const fieldsOf = async (work: Promise<unknown>): Promise<{ field: string; message: string }[]> => {
  const error: unknown = await work.catch((thrown: unknown) => thrown);
  expect(error).toBeInstanceOf(AppError);
  return (error as { facts: { fields: { field: string; message: string }[] } }).facts.fields;
};

test('phones and emails are set in any usual spelling, in their order, and stand in the timeline', async () => {
  const { contacts } = app().m;
  const id = await somebody(1);
  await contacts.updateContact(app().as('Abel'), id, {
    phones: ['(564) 555-0177 x12', '564.555.0101', ' '],
    emails: ['ODA@new.example', 'oda1@x.example'],
  });
  const after = await app().contact(id);
  expect(after.phones).toEqual(['+15645550177', '+15645550101']);
  expect(after.emails).toEqual(['oda@new.example', 'oda1@x.example']);
  const more = await contacts.findContactWithPermissions(app().scope, id);
  expect(more.addresses.phones[0]).toMatchObject({ value: '+15645550177', extension: '12', kind: null, state: 'good' });
  expect((await app().story(id)).at(-1)).toContain('(564) 555-0177 added; oda@new.example added');
  const { items } = await contacts.listContacts(app().scope, { q: '5550177', limit: 5 });
  expect(items.map((one) => one.id)).toEqual([id]);
});

test('one that is removed is free for somebody else, and comes back with what was known of it', async () => {
  const { contacts } = app().m;
  const [one, other] = [await somebody(1), await somebody(2)];
  await app().db.run(`update contact_points set error = 'wrong number' where value = '+15645550101'`);
  await contacts.updateContact(app().as('Ada'), one, { phones: [] });
  expect((await app().contact(one)).phones).toEqual([]);
  await contacts.updateContact(app().as('Ada'), other, { phones: ['5645550102', '5645550101'] });
  expect((await app().contact(other)).phones).toEqual(['+15645550102', '+15645550101']);
  await contacts.updateContact(app().as('Ada'), other, { phones: ['5645550102'] });
  await contacts.updateContact(app().as('Ada'), one, { phones: ['5645550101'] });
  expect((await app().contact(one)).address_errors).toEqual({ '+15645550101': 'wrong number' });
});

test('what a number is to them is kept, changed and undone by the lists before, with a line and an entry in the audit for each', async () => {
  const { contacts } = app().m;
  const [one, other] = [await somebody(1), await somebody(2)];
  const phonesOf = async () => (await contacts.findContactWithPermissions(app().scope, one)).addresses.phones;
  const put = (phones: object[]) => contacts.updateContact(app().as('Ada'), one, { phones });
  await put([
    { value: '5645550101', kind: 'cell' },
    { value: '5645550102', kind: 'work', label: 'Front desk' },
  ]);
  expect(await phonesOf()).toMatchObject([
    { value: '+15645550101', kind: 'cell', label: null, shared_with: [] },
    { value: '+15645550102', kind: 'work', label: 'Front desk', shared_with: [{ id: other }] },
  ]);
  await put([{ value: '5645550102' }, { value: '5645550101', state: 'wrong', kind: null }]);
  expect(await phonesOf()).toMatchObject([
    { value: '+15645550102', kind: 'work', label: 'Front desk', state: 'good' },
    { value: '+15645550101', kind: null, state: 'wrong' },
  ]);
  expect((await app().story(one)).at(-1)).toContain(
    '(564) 555-0101 is of no kind now; (564) 555-0101: wrong number; (564) 555-0102 comes first now',
  );
  await put([{ value: '5645550101', state: 'good', kind: 'cell' }, { value: '5645550102' }]);
  expect(await phonesOf()).toMatchObject([{ kind: 'cell', state: 'good' }, { label: 'Front desk' }]);
  const audited = await app().db.rows<{ data: { changes: string[] } }>(
    `select data from audit where what = 'contacts.edit' order by id`,
  );
  expect(audited).toHaveLength(3);
  expect((await app().contact(other)).phones).toEqual(['+15645550102']);
});

test('an agent sees with whom a number is shared only where that contact may be seen', async () => {
  const { contacts } = app().m;
  const one = await somebody(1);
  const { contact } = await app().arrives({ first_name: 'Bram', phones: ['5645550109'] }, { by: 'Brisa' });
  await contacts.updateContact(app().as('Ada'), contact.id, { phones: ['5645550101'] });
  const seenBy = async (who: string) =>
    (await contacts.findContactWithPermissions(scopeFor(app().as(who)), one)).addresses.phones[0]!.shared_with.length;
  expect([await seenBy('Abel'), await seenBy('Ada')]).toEqual([0, 1]);
});

test('forty numbers are kept in their order', async () => {
  const one = await somebody(1);
  const phones = Array.from({ length: 40 }, (_, n) => `+1564555${String(1000 + n)}`);
  await app().m.contacts.updateContact(app().as('Ada'), one, { phones });
  expect((await app().contact(one)).phones).toEqual(phones);
});

test('names, company, home, mailing and property stand in the timeline; letters go to the mailing address', async () => {
  const { contacts } = app().m;
  const one = await somebody(1);
  const place = { street: '14 Heron Lane', city: 'Saltmarsh', region: 'WA', postal_code: '98741' };
  await contacts.updateContact(app().as('Ada'), one, { last_name: 'Brand', place });
  await contacts.updateContact(app().as('Ada'), one, {
    mailing: { ...place, street: 'PO Box 9' },
    property: { street: '2 Pier Road' },
  });
  expect(await app().contact(one)).toMatchObject({
    mailing: { street: 'PO Box 9' },
    property: { street: '2 Pier Road', city: null },
  });
  expect((await app().story(one)).slice(-2).join()).toContain(
    'Name changed from Oda1 Brandvold to Oda1 Brand; Home changed from Saltmarsh, 98741 to 14 Heron Lane, Saltmarsh, WA 98741',
  );
  const sent = await app().m.messages.sendMessage(app().as('Ada'), one, { channel: 'letter', text: 'Dear Oda' });
  const { address } = (await app().db.first<{ address: string }>('select address from outbox where id = $1', [sent.id]))!;
  expect(address).toBe('PO Box 9, Saltmarsh 98741');
  await contacts.updateContact(app().as('Ada'), one, { mailing: null });
  expect((await app().contact(one)).mailing).toBeNull();
});

test('two who are given one number at once share it', async () => {
  const { contacts } = app().m;
  const both = [await somebody(1), await somebody(2)];
  await Promise.all(both.map((id) => contacts.updateContact(app().as('Ada'), id, { phones: ['5645550188'] })));
  for (const id of both) expect((await app().contact(id)).phones).toEqual(['+15645550188']);
});

test('what is no number, anybody’s or our own is told at its field; nothing is changed then', async () => {
  const { contacts } = app().m;
  const one = await somebody(1);
  const set = (typed: { phones?: string[]; emails?: string[] }) => fieldsOf(contacts.updateContact(app().as('Ada'), one, typed));
  expect(await set({ phones: ['5645550101', '12'] })).toEqual([
    { field: 'phones.1', message: '“12” isn’t a phone number. Enter one like (360) 555-0142' },
  ]);
  expect(await set({ phones: ['000-000-0000'] })).toMatchObject([{ field: 'phones.0' }]);
  expect(await set({ emails: ['none@none.example'] })).toEqual([
    { field: 'emails.0', message: '“none@none.example” isn’t anyone’s email' },
  ]);
  const ours = app().users.Ada!.email;
  expect(await set({ emails: [ours] })).toEqual([{ field: 'emails.0', message: `${ours} is your brokerage’s own` }]);
  expect((await app().contact(one)).phones).toEqual(['+15645550101']);
});

test('a note is pinned and unpinned; what is no note of theirs is not found', async () => {
  const { contacts } = app().m;
  const [one, other] = [await somebody(1), await somebody(2)];
  const note = await contacts.addNote(app().as('Abel'), one, 'Prefers evenings');
  await contacts.pinNote(app().as('Abel'), one, note.id);
  expect(await contacts.findContactWithPermissions(app().scope, one)).toMatchObject({
    pinned_note: { id: note.id, text: 'Prefers evenings' },
  });
  await expect(contacts.pinNote(app().as('Ada'), other, note.id)).rejects.toThrow();
  const { items } = await contacts.listTimeline(app().scope, one, 50);
  const inquiry = items.find(({ kind }) => kind === 'inquiry')!;
  await expect(contacts.pinNote(app().as('Ada'), one, inquiry.id)).rejects.toThrow();
  await contacts.pinNote(app().as('Abel'), one, null);
  expect(await contacts.findContactWithPermissions(app().scope, one)).toMatchObject({ pinned_note: null });
});

test('each group of the timeline has its kinds and no others, page after page', async () => {
  const { contacts } = app().m;
  const id = await somebody(1);
  for (let n = 0; n < 5; n += 1) await contacts.addNote(app().as('Ada'), id, `Note ${n}`);
  await contacts.updateContact(app().as('Ada'), id, { stage: 'talking' });
  const whole = (await contacts.listTimeline(app().scope, id, 200)).items;
  for (const group of TIMELINE_GROUP_KEYS) {
    const seen: string[] = [];
    for (let cursor: string | null = null, first = true; first || cursor; first = false) {
      const page = await contacts.listTimeline(app().scope, id, 2, cursor, undefined, group);
      seen.push(...page.items.map((line) => line.id));
      cursor = page.next;
    }
    const kinds: readonly string[] = TIMELINE_GROUPS[group];
    expect([group, seen]).toEqual([group, whole.filter(({ kind }) => kinds.includes(kind)).map((line) => line.id)]);
  }
});

test('the tags of those selected, with how many of them have each', async () => {
  const { changes, contacts } = app().m;
  const [one, other] = [await somebody(1), await somebody(2)];
  await contacts.updateContact(app().as('Ada'), one, { tags: ['lake', 'choir'] });
  await contacts.updateContact(app().as('Ada'), other, { tags: ['lake', 'dog'] });
  const names = async (selection: object) => {
    const tags = await app().m.tags.listTags(app().scope);
    return (await changes.tagsOfSelection(app().as('Ada'), selection)).map(
      ({ id, people }) => `${tags.find((tag) => tag.id === id)!.name} ${people}`,
    );
  };
  expect(await names({ ids: [one] })).toEqual(expect.arrayContaining(['lake 1', 'choir 1']));
  expect(await names({ ids: [one, other] })).toContain('lake 2');
  expect(await names({ ids: [one] })).not.toContain('dog 1');
});

test('the audit is read newest first, in words, an account at a time', async () => {
  const { accounts, vocabulary } = app().m;
  await vocabulary.createStage(app().as('Ada'), { name: 'Looking around', meaning: '', counts_as: 'talking' });
  const { items, next } = await accounts.listAudit('1', { limit: 1 });
  expect(items).toMatchObject([{ does: 'added a stage', about: 'Looking around' }]);
  expect(items[0]!.by).toMatch(/^Ada/);
  if (next) expect((await accounts.listAudit('1', { limit: 1, cursor: next })).items[0]!.id).not.toBe(items[0]!.id);
  expect((await accounts.listAudit('999999', { limit: 5 })).items).toEqual([]);
});
