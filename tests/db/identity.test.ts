/** Who is who as leads come in: people who share an address stay two, one person stays one, our own addresses are nobody's. */
import { describe, expect, it } from '@jest/globals';
import { appForEach } from '../harness/each';

const app = appForEach();
const landline = '564-555-0101';
const text = { permissions: { text: true } };

it('Harriet and George share a landline: two contacts, one agent, and each is found again', async () => {
  const harriet = await app().arrives({ first_name: 'Harriet', last_name: 'Osierby', emails: [], phones: [landline], ...text });
  const george = await app().arrives({
    first_name: 'George',
    last_name: 'Osierby',
    emails: ['george@x.example'],
    phones: [landline],
  });
  expect(george.contact).toMatchObject({
    status: 'created',
    because: 'New contact, shares a phone with Harriet Osierby.',
  });
  expect(george.routing.agent).toEqual(harriet.routing.agent);
  expect(george.routing.because).toMatch(/^Goes to .+, who has Harriet Osierby already\.$/);
  expect(await app().contact(harriet.contact.id)).toMatchObject({ first_name: 'Harriet', emails: [], phones: ['+15645550101'] });
  const again = await app().arrives({ first_name: 'Hattie', last_name: '', emails: [], phones: [landline] });
  expect(again.contact).toMatchObject({ id: harriet.contact.id, status: 'matched' });
  const his = await app().arrives({ first_name: 'G.', last_name: 'Osierby', emails: [], phones: [landline] });
  expect(his.contact.id).toBe(george.contact.id);
});

it('who may be somebody is a contact of their own, put before a person to say', async () => {
  const one = await app().arrives({ first_name: 'Harriet', last_name: 'Osierby', emails: ['h@x.example'] });
  const two = await app().arrives({ first_name: 'Harriet', last_name: 'Quill', emails: ['h@x.example'] });
  expect(two.contact.because).toBe('New contact, may be Harriet Osierby: the same email, but the names don’t match.');
  expect(two.routing.agent).toEqual(one.routing.agent);
  const [pair] = await app().m.duplicates.listPairs(app().scope, 5);
  expect(pair).toMatchObject({
    one: { id: one.contact.id },
    other: { id: two.contact.id },
    because: 'They have the same email.',
  });
});

it('a name that says more completes one that said less', async () => {
  const { contact } = await app().arrives({ first_name: 'H.', last_name: '', emails: ['h@x.example'] });
  await app().arrives({ first_name: 'Harriet', last_name: 'Osierby', emails: ['h@x.example'] });
  expect(await app().contact(contact.id)).toMatchObject({ first_name: 'Harriet', last_name: 'Osierby' });
  expect((await app().arrives({ first_name: 'Henry', last_name: 'Osierby', emails: ['h@x.example'] })).contact.status).toBe(
    'created',
  );
});

describe('addresses that are nobody’s', () => {
  it('a placeholder number makes nobody one, and is not kept', async () => {
    const leads = ['Oda', 'Lorcan'].map((first_name) =>
      app().arrives({ first_name, last_name: 'Holt', emails: [`${first_name}@x.example`], phones: ['000-000-0000'] }),
    );
    const ids = (await Promise.all(leads)).map(({ contact }) => contact.id);
    expect(new Set(ids).size).toBe(2);
    expect((await app().contact(ids[0]!)).phones).toEqual([]);
  });
  it('our own desk in every lead of a portal makes nobody one; a lead with nothing else is refused', async () => {
    const desk = app().users.Ada!.email;
    const ids = await Promise.all(
      ['Oda', 'Lorcan'].map(async (first_name) => {
        const { contact } = await app().arrives({
          first_name,
          last_name: 'Holt',
          emails: [desk, `${first_name}@x.example`],
          phones: [],
        });
        return contact.id;
      }),
    );
    expect(new Set(ids).size).toBe(2);
    expect((await app().contact(ids[0]!)).emails).toEqual(['oda@x.example']);
    await expect(app().arrives({ first_name: 'Oda', emails: [desk], phones: [] })).rejects.toMatchObject({
      code: 'input_invalid',
    });
  });
});

it('what somebody adds by hand with the number of another agent’s client gives that client nothing', async () => {
  const george = await app().arrives(
    { first_name: 'George', last_name: 'Osierby', emails: [], phones: [landline] },
    { by: 'Brisa' },
  );
  const martha = await app().arrives(
    { first_name: 'Martha', last_name: 'Quill', emails: [], phones: [landline], ...text },
    { by: 'Abel' },
  );
  expect(martha.contact).toMatchObject({ status: 'created', because: null });
  expect((await app().contact(george.contact.id)).owner).toMatchObject({ name: 'Brisa Test' });
  expect((await app().contact(george.contact.id)).permissions.text).toBe('unknown');
});

it('two of one address in the same instant are one where the names agree, and two where they do not', async () => {
  const arrivals = ['Oda', 'Oda', 'Nils', 'Nils'].map((first_name) =>
    app().arrives({ first_name, last_name: 'Holt', emails: ['both@x.example'], phones: [] }),
  );
  expect(new Set((await Promise.all(arrivals)).map(({ contact }) => contact.id)).size).toBe(2);
});

it('a STOP from a shared number holds for all who have it', async () => {
  const people = [];
  for (const first_name of ['Harriet', 'George'])
    people.push(await app().arrives({ first_name, last_name: 'Osierby', emails: [], phones: [landline], ...text }));
  await app().m.messages.receiveText({ eventId: 'e1', from: '+15645550101', to: '+15645550000', body: 'STOP', at: new Date() });
  for (const { contact } of people) expect((await app().contact(contact.id)).permissions.text).toBe('withdrawn');
});
