/**
 * Search: what is typed finds its people in any spelling, whichever way a page takes: along the order while people are frequent,
 * by the indexes when they are rare, by tags, by likeness. Each page and count is held against a plain reading of all.
 */
import { openApp, type TestApp } from '../harness/test-app';

const PEOPLE = 3_200;
let app: TestApp;

/** `frost` is everywhere, `olden` only among the older half, `rare` on three of the oldest; Rowing is a tag of old ones, Frost of a few. */
const names = (n: number): { first: string; last: string; town: string; tags: string[] } => ({
  first: n % 3 ? 'Frost' : 'Ann',
  last: n === 5 || n === 6 || n === 700 ? 'Rarely' : `Person${n}`,
  town: n <= 1_700 ? 'Olden Bay' : 'Newtown',
  tags: [...(n <= 1_900 && n % 4 === 0 ? ['Rowing'] : []), ...(n % 101 === 0 ? ['Frosty'] : [])],
});

beforeAll(async () => {
  app = await openApp();
  const { reader, transact } = app.m.shared;
  const people = Array.from({ length: PEOPLE }, (_, i) => ({ n: i + 1, ...names(i + 1) }));
  await transact(async (tx) => {
    await tx.run(
      `insert into contacts (account_id, owner_id, first_name, last_name, city, stage, stage_since, time_zone, created_at, updated_at)
       select 1, $2, x.first, x.last, x.town, 'new', now(), 'America/Los_Angeles', timestamptz '2026-01-01' + x.n * interval '1 minute', now() from jsonb_to_recordset($1::jsonb) x (n int, first text, last text, town text) order by x.n`,
      [JSON.stringify(people), app.users.Abel!.id],
    );
    await tx.run(`insert into tags (account_id, name) values (1, 'Rowing'), (1, 'Frosty')`);
    await tx.run(
      `insert into contact_tags (contact_id, tag_id) select c.id, t.id from jsonb_to_recordset($1::jsonb) x (n int, tags text[])
         join contacts c on c.created_at = timestamptz '2026-01-01' + x.n * interval '1 minute' join tags t on t.name = any(x.tags)`,
      [JSON.stringify(people)],
    );
  });
  await app.completePeople();
  await reader().run('analyze');
});
afterAll(() => app.close());

/** The people by number whom a plain reading finds: every word in a name, the town or a tag. */
const plainly = (q: string): number[] =>
  Array.from({ length: PEOPLE }, (_, i) => PEOPLE - i).filter((n) => {
    const { first, last, town, tags } = names(n);
    const text = ` ${first} ${last} ${town}`.toLowerCase();
    return q
      .split(' ')
      .every((word) =>
        word.length < 3 ? text.includes(` ${word}`) : text.includes(word) || tags.some((tag) => tag.toLowerCase().includes(word)),
      );
  });

const found = async (q: string, limit: number): Promise<number[]> => {
  const seen: number[] = [];
  for (let cursor: string | null = null, first = true; first || cursor; first = false) {
    const page = await app.m.contacts.listContacts(app.scope, { q, limit, cursor });
    seen.push(...page.items.map(({ created_at }) => (created_at.getTime() - Date.parse('2026-01-01T00:00:00Z')) / 60_000));
    cursor = page.next;
  }
  return seen;
};

test.each([
  'frost',
  'olden',
  'rarely',
  'rowing',
  'frosty',
  'olden rowing',
  'frost rowing',
  'frosty rowing',
  'a',
  'fr ra',
  'person77',
  'newtown rarely',
])('“%s” finds page by page whom a plain reading finds, in their order', async (q) => {
  const wanted = plainly(q);
  expect(await found(q, 190)).toEqual(wanted);
  const { contacts } = app.m;
  expect(await contacts.countContacts(app.scope, { q }, null)).toBe(wanted.length);
  expect(await contacts.countContacts(app.scope, { q })).toBe(Math.min(wanted.length, contacts.COUNTED + 1));
  expect(await contacts.countContacts(app.scopeOf('Abel'), { q }, null)).toBe(wanted.length);
  expect(await contacts.countContacts(app.scopeOf('Brisa'), { q }, null)).toBe(0);
});

test('who is deleted is neither found nor counted; who comes back is', async () => {
  const { contacts, changes } = app.m;
  const { items } = await contacts.listContacts(app.scope, { q: 'rarely', limit: 9 });
  const made = await changes.createChange(app.as('Ada'), {
    selection: { ids: items.slice(0, 1).map(({ id }) => id) },
    change: { kind: 'delete' },
  });
  await changes.performChange(made.id);
  expect((await contacts.listContacts(app.scope, { q: 'rarely', limit: 9 })).items).toHaveLength(2);
  expect(await contacts.countContacts(app.scope, { q: 'rarely' })).toBe(2);
  await contacts.refreshSearch(
    app.m.shared.reader(),
    items.map(({ id }) => id),
  );
  expect(await contacts.countContacts(app.scope, { q: 'rarely' })).toBe(2);
  await changes.undoChange(app.as('Ada'), made.id);
  await changes.performUndo(made.id);
  expect(await contacts.countContacts(app.scope, { q: 'rarely' })).toBe(3);
});

test('search forgives accents and slips of the finger, and knows phones in any spelling', async () => {
  const { contacts } = app.m;
  await app.arrives({
    first_name: 'Zoë',
    last_name: 'Brandvold',
    emails: ['zoe.b@kelpmail.example'],
    phones: ['(564) 555-0177'],
    tags: ['Lighthouse keepers'],
  });
  for (const q of ['zoe', 'Brandvold', 'Brandvodl', 'branvold zoë', '564.555.0177', '+1 564 555 0177', 'lightho', 'zoe.b@kelp']) {
    const { items } = await contacts.listContacts(app.scope, { q, limit: 5 });
    expect([q, items.map(({ last_name }) => last_name)]).toEqual([q, ['Brandvold']]);
  }
  expect((await contacts.listContacts(app.scope, { q: 'Brandvodl', limit: 5 })).approximate).toBe(true);
  expect((await contacts.listContacts(app.scope, { q: 'qqqqzzzz', limit: 5 })).items).toEqual([]);
});
