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

describe('the one list', () => {
  const route = async (name: string) =>
    (await app().m.capture.listSources(ada()))
      .find((one) => one.name === name)!
      .routes.map(({ rung, to, always }) => [rung?.position ?? null, to, always]);
  const ladder = async (...trees: Tree[]) => {
    const { version } = await app().m.routing.readLadder(app().scope);
    await app().m.routing.saveLadder(ada(), version, { rungs: trees.map((tree) => ({ tree, roster_id: '1' })) });
  };
  const of = (...names: string[]): Tree => ({ on: 'lead_source', how: 'any', of: names });

  test('one made before its first lead says where its leads will go; its first lead stands beside it then', async () => {
    await ladder({ all: [of('Yard signs')] }, { all: [{ on: 'lead_role', how: 'any', of: ['seller'] }] });
    await app().m.capture.createSource(ada(), '  Yard signs ');
    await app().m.capture.createSource(ada(), 'Open house');
    await expect(app().m.capture.createSource(ada(), 'yard SIGNS')).rejects.toMatchObject({ code: 'conflict' });
    expect(await route('Yard signs')).toEqual([[1, 'Coast agents', true]]);
    expect(await route('Open house')).toEqual([
      [2, 'Coast agents', false],
      [null, expect.any(String), true],
    ]);
    const { inquiry, contact } = await arrives(1, 'yard signs');
    const [signs] = (await app().m.capture.listSources(ada())).filter(({ name }) => name === 'Yard signs');
    expect(signs).toMatchObject({
      leads_30_days: 1,
      quiet: null,
      state: 'known',
      last_lead: { inquiry_id: inquiry.id, contact_id: contact.id, at: expect.any(Date) },
    });
  });

  test('its rung is copied above it for others, which changes nothing else, and taken back by the version before', async () => {
    await ladder({ all: [of('Yard signs'), { on: 'lead_role', how: 'any', of: ['buyer'] }] }, { all: [] });
    for (const name of ['Yard signs', 'Open house', 'Radio']) await app().m.capture.createSource(ada(), name);
    const [open, radio] = [await idOf('Open house'), await idOf('Radio')];
    const [rung] = (await app().m.routing.readLadder(app().scope)).rungs;
    const { before } = await app().m.capture.copyRungToSources(ada(), rung!.id, [radio, open]);
    const now = (await app().m.routing.readLadder(app().scope)).rungs;
    expect(now.map(({ tree }) => named(tree)[0] ?? 'everybody')).toEqual([
      '"of":["Radio"]',
      '"of":["Open house"]',
      '"of":["Yard signs"]',
      'everybody',
    ]);
    expect(now[2]!.id).toBe(rung!.id);
    await app().m.routing.restoreLadder(ada(), before);
    expect((await app().m.routing.readLadder(app().scope)).rungs).toHaveLength(2);
    await expect(app().m.capture.copyRungToSources(ada(), rung!.id, ['999'])).rejects.toMatchObject({ code: 'not_found' });
  });

  test('a name that is no source goes off the list; leads that name it count for their door', async () => {
    await arrives(1, 'Forwarding desk');
    await app().m.capture.dismissSource(ada(), await idOf('Forwarding desk'));
    const { contact } = await arrives(2, 'forwarding desk');
    const row = await app().db.first<{ source: string | null }>('select source from inquiries where contact_id = $1', [
      contact.id,
    ]);
    expect(row!.source).not.toMatch(/forwarding/i);
    await app().m.capture.saveSource(ada(), await idOf('Forwarding desk'));
    await arrives(3, 'forwarding desk');
    expect((await list()).find(({ name }) => name === 'Forwarding desk')).toMatchObject({ state: 'known', people: 2 });
  });
});
