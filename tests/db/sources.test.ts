/** Lead sources: a new name is proposed and never silent; merged names are one from then on and for what came before, in segments and rungs too; it can be taken apart. */
import { appForEach } from '../harness/each';
import type { Tree } from '../../src/core/segments';

const app = appForEach();
const ada = () => app().as('Ada');
const list = async () =>
  (await app().m.capture.listSources(ada())).map(({ name, state, people, into_name }) => ({ name, state, people, into_name }));
const arrives = (n: number, source: string) =>
  app().arrives({ emails: [`s${n}@sources.example`], source } as Parameters<ReturnType<typeof app>['arrives']>[0]);
const idOf = async (name: string) => (await app().m.capture.listSources(ada())).find((one) => one.name === name)!.id;
const sourcesOf = (table: string) =>
  app().db.rows<{ source: string; n: number }>(`select source, count(*)::int as n from ${table} group by source order by source`);
const named = (tree: unknown): string[] => JSON.stringify(tree).match(/"of":\[[^\]]*\]/g) ?? [];

test('a name that nobody knows is proposed once, whatever its capitals; what a door is called is known', async () => {
  await app().m.capture.createDoor(ada(), { kind: 'api', name: 'Valuation site', source: 'Valuation site' });
  await Promise.all([arrives(1, 'Coastal Finder'), arrives(2, 'coastal finder'), arrives(3, 'valuation SITE')]);
  const found = await list();
  expect(found.filter(({ name }) => /coastal/i.test(name))).toMatchObject([{ state: 'proposed', people: 2 }]);
  expect(found.filter(({ name }) => /valuation/i.test(name))).toMatchObject([{ state: 'known', people: 1 }]);
  await app().m.capture.saveSource(ada(), (await app().m.capture.listSources(ada()))[0]!.id);
  expect((await list()).some(({ state }) => state === 'proposed')).toBe(false);
});

test('merged, all that came and all that comes is called by the other, segments and rungs ask for it; taken apart, what was moved goes back', async () => {
  const { m } = app();
  await arrives(1, 'Portal A');
  await arrives(2, 'Portal B');
  const tree: Tree = { all: [{ on: 'source', how: 'any', of: ['Portal B'] }] };
  const segment = await m.segments.createSegment(ada(), { name: 'From B', tree, team: true });
  const { version } = await m.routing.readLadder(app().scope);
  const rung: Tree = { all: [{ on: 'lead_source', how: 'any', of: ['Portal B'] }] };
  await m.routing.saveLadder(ada(), version, { rungs: [{ tree: rung, roster_id: '1' }] });
  const [a, b] = [await idOf('Portal A'), await idOf('Portal B')];
  const before = [await sourcesOf('contacts'), await sourcesOf('inquiries')];
  const { id: mergeId, people } = await m.capture.mergeSources(ada(), b, a);
  expect(people).toBe(1);
  await arrives(3, 'portal b');
  expect(await sourcesOf('contacts')).toEqual([{ source: 'Portal A', n: 3 }]);
  expect(await sourcesOf('inquiries')).toEqual([{ source: 'Portal A', n: 3 }]);
  const trees = async () => ({
    segment: named((await app().db.first<{ tree: Tree }>('select tree from segments where id = $1', [segment.id]))!.tree),
    rungs: named(await app().db.rows('select tree from rungs where deleted_at is null')),
  });
  expect(await trees()).toEqual({ segment: ['"of":["Portal A"]'], rungs: ['"of":["Portal A"]'] });
  expect((await m.routing.readLadder(app().scope)).version).not.toBe(version);
  await expect(m.capture.mergeSources(ada(), b, a)).rejects.toMatchObject({ code: 'conflict' });
  await expect(m.capture.mergeSources(ada(), a, a)).rejects.toMatchObject({ code: 'conflict' });
  await m.capture.splitSources(ada(), mergeId);
  expect([await sourcesOf('contacts'), await sourcesOf('inquiries')]).toEqual(
    before.map((rows) => rows.map((row) => (row.source === 'Portal A' ? { ...row, n: 2 } : row))),
  );
  expect(await trees()).toEqual({ segment: ['"of":["Portal B"]'], rungs: ['"of":["Portal B"]'] });
  await arrives(4, 'Portal B');
  expect((await sourcesOf('contacts')).find(({ source }) => source === 'Portal B')!.n).toBe(2);
  await expect(m.capture.splitSources(ada(), mergeId)).rejects.toMatchObject({ code: 'not_found' });
});
