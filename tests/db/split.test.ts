/** One contact that holds two people: split, merged again, apart again, in any order; and whose a message from a shared number was. */
import fc from 'fast-check';
import { appForEach } from '../harness/each';

const app = appForEach();
const HARRIET = '+15645550111';
const GEORGE = '+15645550112';

/** Harriet, under whom George's number and mail stand as well. */
async function both(): Promise<string> {
  const { contact } = await app().arrives({
    first_name: 'Harriet',
    last_name: 'Lindqvist',
    phones: [HARRIET],
    emails: ['harriet@x.example'],
    permissions: { text: true },
    tags: ['choir'],
  });
  await app().m.contacts.updateContact(app().as('Ada'), contact.id, {
    phones: [HARRIET, GEORGE],
    emails: ['harriet@x.example', 'george@x.example'],
  });
  return contact.id;
}
const text = (from: string, body: string, eventId = `evt ${body}`) =>
  app().m.messages.receiveText({ eventId, from, to: '+15645550000', body, at: new Date('2026-11-23T18:30:00Z') });
const GEORGES = {
  first_name: 'George',
  last_name: 'Lindqvist',
  phones: [GEORGE],
  emails: ['george@x.example'],
  tags: ['choir'],
  activities: [],
  home: true,
  household: true,
};
const split = (id: string, request: object = {}) =>
  app().m.duplicates.splitContact(app().as('Ada'), id, { ...GEORGES, ...request });

test('the other gets their numbers, what came by them and the home; the first keeps the rest, and the facts of both are right', async () => {
  const id = await both();
  await text(GEORGE, 'Can we see it Friday?');
  await text(HARRIET, 'Saturday is better');
  const noteId = (await app().m.contacts.addNote(app().as('Ada'), id, 'George has a boat')).id;
  const george = await split(id, { activities: [noteId] });
  expect(george).toMatchObject({
    first_name: 'George',
    phones: [GEORGE],
    emails: ['george@x.example'],
    tags: ['choir'],
    place: (await app().contact(id)).place,
  });
  expect(await app().contact(id)).toMatchObject({ phones: [HARRIET], emails: ['harriet@x.example'] });
  const [hers, his] = [(await app().story(id)).join(), (await app().story(george.id)).join()];
  expect(his).toContain('Can we see it Friday?');
  expect(his).toContain('George has a boat');
  expect(hers).toContain('Saturday is better');
  expect(hers).not.toContain('Friday');
  const more = await app().m.contacts.findContactWithPermissions(app().scope, id);
  expect(more.household).toMatchObject([{ id: george.id }]);
  expect(await app().verified()).toEqual([]);
});

test('without a name, with a number that isn’t theirs, or by whom it may not be seen, nothing is split', async () => {
  const id = await both();
  await expect(split(id, { first_name: ' ', last_name: '' })).rejects.toMatchObject({ code: 'input_invalid' });
  await expect(split(id, { phones: ['+15645550199'] })).rejects.toMatchObject({
    facts: { fields: [{ field: 'phones.0', message: 'isn’t theirs' }] },
  });
  await app().m.contacts.updateContact(app().as('Ada'), id, { owner_id: app().users.Brisa!.id });
  await expect(app().m.duplicates.splitContact(app().as('Abel'), id, GEORGES)).rejects.toMatchObject({ code: 'not_found' });
  expect(await app().db.rows('select 1 from contacts where deleted_at is null')).toHaveLength(1);
});

/** Which addresses and which lines of messages stand under whom. */
const whereAll = () =>
  app().db.rows(
    `select c.id, array(select value from contact_points p where p.contact_id = c.id and p.active order by 1) as points,
       array(select a.id from activities a where a.contact_id = c.id and a.kind in ('message', 'note', 'call', 'inquiry') order by 1) as lines
     from contacts c where c.deleted_at is null order by c.id`,
  );

test('after merges, splits and their undoing in any order, lines and addresses are where they were', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom('split', 'merge'), { minLength: 1, maxLength: 4 }),
      fc.nat(1_000),
      async (steps, n) => {
        const { duplicates, contacts } = app().m;
        const ada = app().as('Ada');
        const [one, two] = [`+1564555${String(2000 + n * 2)}`, `+1564555${String(2001 + n * 2)}`];
        const { contact } = await app().arrives({ first_name: `H${n}`, phones: [one] });
        const other = await app().arrives({ first_name: `Zeno${n}`, last_name: 'Quill', emails: [`z${n}@x.example`] });
        await contacts.updateContact(ada, contact.id, { phones: [one, two] });
        await text(two, `From the second ${n}`);
        const before = await whereAll();
        const undo: (() => Promise<unknown>)[] = [];
        let merged = false;
        let apart = false;
        for (const step of steps) {
          if (step === 'split' && !apart) {
            apart = true;
            const made = await split(contact.id, { first_name: `G${n}`, phones: [two], emails: [], tags: [] });
            undo.push(() => duplicates.mergeContacts(ada, contact.id, made.id, {}));
          } else if (step === 'merge' && !merged) {
            merged = true;
            const { merge_id } = await duplicates.mergeContacts(ada, contact.id, other.contact.id, {});
            undo.push(() => duplicates.undoMerge(ada, merge_id));
          }
        }
        for (const back of undo.reverse()) await back();
        expect(await whereAll()).toEqual(before);
        expect(await app().verified()).toEqual([]);
      },
    ),
    { numRuns: 12, endOnFailure: true },
  );
}, 60_000);

test('a text from a number that two share asks whose it is; said, it goes to that one, and back', async () => {
  const { duplicates, contacts } = app().m;
  const ada = app().as('Ada');
  const harriet = (await app().arrives({ first_name: 'Harriet', phones: [HARRIET] })).contact.id;
  const george = (await app().arrives({ first_name: 'George', emails: ['george@x.example'] })).contact.id;
  await contacts.updateContact(ada, george, { phones: [HARRIET] });
  await text(HARRIET, 'Is it still for sale?');
  const messages = async (id: string) =>
    (await contacts.listTimeline(app().scope, id, 50)).items.filter(({ kind }) => kind === 'message');
  const at = (await messages(harriet)).length ? harriet : george;
  const elsewhere = at === harriet ? george : harriet;
  const [line] = await messages(at);
  expect(line!.data.shared).toBe(true);
  await duplicates.sayWhose(ada, line!.id, elsewhere);
  expect(await messages(at)).toEqual([]);
  expect((await messages(elsewhere))[0]!.data.shared).toBeUndefined();
  expect(await app().verified()).toEqual([]);
  await duplicates.sayWhose(ada, line!.id, at);
  expect(await messages(elsewhere)).toEqual([]);
  const stranger = (await app().arrives({ first_name: 'Zeno', emails: ['z@x.example'] })).contact.id;
  await expect(duplicates.sayWhose(ada, line!.id, stranger)).rejects.toMatchObject({ code: 'input_invalid' });
  expect(await app().verified()).toEqual([]);
});
