/** Segments: SQL and memory agree on any tree over any contact; what is gone says so; counts, shelves and paging. */
import fc from 'fast-check';
import {
  HOWS,
  matches,
  seenBy,
  segmentSentence,
  SUBJECTS,
  subjectOfField,
  UNITS,
  type Condition,
  type FieldDef,
  type Tree,
} from '@/core/segments';
import { CONTACT_SORTS } from '@/server/contacts';
import { draw } from '../harness/people';
import { openApp, type TestApp } from '../harness/test-app';

const AT = new Date('2026-02-27T18:00:00Z');
const TREES = 500;
let app: TestApp;
let fields: FieldDef[];
let ids: string[];

beforeAll(async () => {
  app = await openApp();
  await app.setClock(AT);
  ({ ids, fields } = await draw(app, 80, AT));
});
afterAll(() => app.close());

const WORDS = [
  'granted',
  'withdrawn',
  'unknown',
  'buyer',
  'seller',
  'new',
  'talking',
  'archived',
  'hot',
  'warm',
  'Saltmarsh',
  'petrel point',
  '98741',
  'portal',
  'pool',
  'office',
  'house',
  'red',
  'blue',
  '1',
  '2',
  '3',
  '4',
  'me',
  '999',
];
const DAYS = ['2025-11-01', '2026-02-01', '2026-02-27', '2026-03-08'];

function conditions(): fc.Arbitrary<Condition> {
  const subjects = [...SUBJECTS, ...fields.map(subjectOfField)];
  return fc.constantFrom(...subjects).chain((subject) =>
    fc.constantFrom(...HOWS[subject.kind]).chain((how): fc.Arbitrary<Condition> => {
      const on = fc.constant(subject.key);
      switch (how) {
        case 'any':
        case 'all':
        case 'none':
          return fc.record({
            on,
            how: fc.constant(how),
            of: fc.array(fc.constantFrom(...WORDS, ...ids.slice(0, 3)), { maxLength: 3 }),
          });
        case 'between':
          return fc.record({
            on,
            how: fc.constant(how),
            from: fc.option(fc.constantFrom(0, 1, 2, 3, 30, 300_000)),
            to: fc.option(fc.constantFrom(0, 1, 2, 5, 60, 450_000)),
          }) as fc.Arbitrary<Condition>;
        case 'contains':
        case 'begins':
        case 'is':
          return fc.record({
            on,
            how: fc.constant(how),
            text: fc.constantFrom('a', 'An', 'heron', '%', '_', 'oda b', 'red'),
          });
        case 'on_days':
          return fc.record({
            on,
            how: fc.constant(how),
            from: fc.option(fc.constantFrom(...DAYS)),
            to: fc.option(fc.constantFrom(...DAYS)),
          }) as fc.Arbitrary<Condition>;
        case 'within':
        case 'not_within':
        case 'longer_ago':
        case 'coming':
          return fc.record({
            on,
            how: fc.constant(how),
            n: fc.constantFrom(0, 1, 2, 7, 14, 40),
            unit: fc.constantFrom(...UNITS),
          });
        default:
          return fc.record({ on, how: fc.constant(how) }) as fc.Arbitrary<Condition>;
      }
    }),
  );
}

const { tree } = fc.letrec<{ tree: Tree; condition: Condition }>((tie) => ({
  tree: fc.oneof(
    { depthSize: 'small', withCrossShrink: true },
    tie('condition'),
    fc.record({ all: fc.array(tie('tree'), { maxLength: 3 }) }),
    fc.record({ any: fc.array(tie('tree'), { maxLength: 3 }) }),
    fc.record({ none: fc.array(tie('tree'), { maxLength: 3 }) }),
  ),
  condition: fc.constant(null).chain(() => conditions()),
}));

test(`SQL and memory agree on ${TREES} random trees, and each has its sentence`, async () => {
  const { segments, contacts } = app.m;
  const known = await segments.readKnown('1', ids, AT);
  const context = { ...(await segments.segmentContext(app.scopeOf('Abel'))), at: AT };
  const abel = app.users.Abel!.id;
  const vocabulary = await segments.readVocabulary(app.scope);
  let somebody = 0;
  await fc.assert(
    fc.asyncProperty(tree, async (one) => {
      const bind: unknown[] = [];
      const where = contacts.segmentSql(one, context, bind);
      const found = await app.db.rows<{ id: string }>(
        `select c.id from contacts c join contact_facts f on f.contact_id = c.id where ${where} order by c.id`,
        bind,
      );
      const there = ids.filter((id) => matches(seenBy(one, abel), known.get(id)!, context, fields));
      expect(found.map(({ id }) => id)).toEqual(there);
      if (there.length > 0 && there.length < ids.length) somebody += 1;
      expect(segmentSentence(one, segments.nameIn(vocabulary), fields)).toMatch(/^(?:People|Everybody|\p{Lu}|\d)\P{Cc}+$/u);
    }),
    { numRuns: TREES, examples: [[{ on: 'field:7', how: 'all', of: [] }]] },
  );
  expect(somebody).toBeGreaterThan(TREES / 5);
}, 300_000);

test('every question that a subject can be asked finds somebody and leaves out somebody, in SQL', async () => {
  const { segments, contacts } = app.m;
  const context = { ...(await segments.segmentContext(app.scope)), at: AT };
  const split: string[] = [];
  for (const subject of SUBJECTS) {
    const bind: unknown[] = [];
    const asked: Condition =
      subject.kind === 'flag'
        ? { on: subject.key, how: 'yes' }
        : subject.kind === 'number'
          ? { on: subject.key, how: 'between', from: 1 }
          : { on: subject.key, how: 'known' };
    const where = contacts.segmentSql(asked, context, bind);
    const { n } = (await app.db.first<{ n: number }>(
      `select count(*)::int as n from contacts c join contact_facts f on f.contact_id = c.id where ${where}`,
      bind,
    ))!;
    if (n > 0 && n < ids.length) split.push(subject.key);
  }
  const always = ['name', 'stage', 'stage_since', 'created', 'may_call', 'may_text', 'may_email', 'may_letter'];
  expect(SUBJECTS.map(({ key }) => key).filter((key) => !split.includes(key) && !always.includes(key))).toEqual([]);
});

test('a segment that names something deleted says so and finds nobody by it, instead of failing', async () => {
  const { segments, contacts } = app.m;
  const tag = (await app.db.first<{ id: string }>(`insert into tags (account_id, name) values (1, 'Short-lived') returning id`))!
    .id;
  const saved = await segments.createSegment(app.as('Ada'), {
    name: '  Short   lived ',
    tree: { all: [{ on: 'tag', how: 'any', of: [tag] }] },
    team: true,
  });
  expect(saved).toMatchObject({
    name: 'Short lived',
    sentence: 'People tagged Short-lived',
    broken: false,
    on_shelf: true,
    mine: true,
  });
  await app.db.run('delete from tags where id = $1', [tag]);
  expect(await segments.findSegment(app.scope, saved.id)).toMatchObject({
    sentence: 'People tagged a tag (deleted)',
    broken: true,
  });
  const query = await segments.readQuestion(app.scope, { segment: saved.id });
  expect((await contacts.listContacts(app.scope, { ...query, limit: 5 })).items).toEqual([]);
});

test('one’s own segments are hidden from others; a team’s are changed by their maker or an admin', async () => {
  const { segments } = app.m;
  const tree = { on: 'owner', how: 'any', of: ['me'] };
  const own = await segments.createSegment(app.as('Abel'), { name: 'Mine', tree, team: false });
  await expect(segments.findSegment(app.scopeOf('Brisa'), own.id)).rejects.toMatchObject({ code: 'not_found' });
  const shared = await segments.updateSegment(app.as('Abel'), own.id, { team: true });
  expect(shared.sentence).toBe('People with me');
  await expect(segments.updateSegment(app.as('Brisa'), own.id, { name: 'Hers' })).rejects.toMatchObject({
    code: 'not_allowed',
  });
  await segments.setShelf(app.scopeOf('Brisa'), app.users.Brisa!.id, [own.id]);
  expect((await segments.listSegments(app.scopeOf('Brisa')))[0]).toMatchObject({ id: own.id, on_shelf: true, mine: false });
  await segments.deleteSegment(app.as('Ada'), own.id);
  await expect(segments.findSegment(app.scopeOf('Abel'), own.id)).rejects.toMatchObject({ code: 'not_found' });
});

test.each([
  [{ on: 'nonsense', how: 'known' }, 'doesn’t exist'],
  [{ on: 'role', how: 'between' }, 'cannot be asked'],
  [{ on: 'attempts', how: 'between', from: '2026-01-01' }, 'needs numbers'],
  [{ all: 'everybody' }, 'not a segment'],
  [{ on: 'created', how: 'within' }, 'needs “n”'],
  [JSON.parse('{"any":['.repeat(10) + '{"on":"name","how":"known"}' + ']}'.repeat(10)) as object, 'deeper'],
])('%j is refused with the reason', async (tree, reason) => {
  const refused = await app.m.segments.checkTree(app.scope, tree).catch((error: unknown) => error);
  expect((refused as { facts: { fields: { message: string }[] } }).facts.fields[0]!.message).toContain(reason);
});

test.each(CONTACT_SORTS)('sorted by %s, pages hold everybody once, both ways', async (sort) => {
  const { contacts } = app.m;
  const walk = async (descending: boolean) => {
    const seen: string[] = [];
    for (let cursor: string | null = null, first = true; first || cursor; first = false) {
      const page = await contacts.listContacts(app.scope, {
        sort,
        descending,
        limit: 7,
        cursor,
        segment: { tree: { on: 'stage', how: 'known' }, context: await app.m.segments.segmentContext(app.scope) },
      });
      seen.push(...page.items.map(({ id }) => id));
      cursor = page.next;
    }
    return seen;
  };
  const up = await walk(false);
  expect(new Set(up).size).toBe(ids.length);
  expect(up).toHaveLength(ids.length);
  expect(await walk(true)).toEqual([...up].reverse());
});
