/** Listings from a file: taken in once and twice, changed, withdrawn; criteria in SQL as in memory; an inquiry on our own listing. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { criteriaSql } from '../../src/server/market';
import { meets, readListing, type Criteria, type Listing } from '../../src/core/market';
import { readCsv } from '../../src/core/imports';
import { seeded } from '../../src/core/shared';
import { appForEach } from '../harness/each';

const FILE = readFileSync(join(__dirname, '../data/market/listings.csv'), 'utf8');
const app = appForEach();
const streamOf = (text: string, piece = 7_001): ReadableStream<Uint8Array> => {
  const bytes = new TextEncoder().encode(text);
  return new ReadableStream({
    start(controller) {
      for (let at = 0; at < bytes.length; at += piece) controller.enqueue(bytes.slice(at, at + piece));
      controller.close();
    },
  });
};
const take = (text: string, whole = false, preview = false) =>
  app().m.market.importListings(app().as('Ada'), streamOf(text), { whole, preview });

test('a file is taken in once; the same again changes nothing; what changed is told, what is missing from a whole file is withdrawn', async () => {
  expect(await take(FILE)).toEqual({
    rows: 120,
    added: 120,
    changed: 0,
    same: 0,
    gone: 0,
    withdrawn: [],
    imported_at: expect.any(Date),
    refused: [],
  });
  expect(await take(FILE)).toMatchObject({ added: 0, changed: 0, same: 120, gone: 0 });
  const [head, first, second, ...rest] = FILE.trim().split('\n');
  const dearer = first!.replace('779800', '789800');
  expect(await take([head, dearer, ...rest, 'LC-x,Dreaming,1,Nowhere'].join('\n'), true)).toEqual({
    rows: 120,
    added: 0,
    changed: 1,
    same: 118,
    gone: 1,
    withdrawn: [{ number: second!.split(',')[0], address: expect.any(String) }],
    imported_at: expect.any(Date),
    refused: [{ line: 121, why: 'has the status “Dreaming”, which is none of RESO’s' }],
  });
  const left = await app().m.market.listingOfNumber('1', second!.split(',')[0]!);
  expect(left!.status).toBe('withdrawn');
});

test('a whole file is looked at before it withdraws, and what it withdrew comes back as it was', async () => {
  await take(FILE);
  const { m } = app();
  const statuses = () => app().db.rows<{ number: string; status: string }>('select number, status from listings order by number');
  const before = await statuses();
  const half = FILE.trim().split('\n').slice(0, 61).join('\n');
  const looked = await take(half, true, true);
  expect(looked.gone).toBeGreaterThan(20);
  expect(await statuses()).toEqual(before);
  const taken = await take(half, true);
  expect(taken.withdrawn).toEqual(looked.withdrawn);
  const [changed] = taken.withdrawn;
  await app().db.run(`update listings set status = 'closed', changed_at = now() where number = $1`, [changed!.number]);
  const restore = () => m.market.restoreListings(app().as('Ada'), taken.imported_at);
  expect(await restore()).toEqual({ restored: taken.gone - 1 });
  expect(await restore()).toEqual({ restored: 0 });
  expect((await statuses()).filter(({ number }) => number !== changed!.number)).toEqual(
    before.filter(({ number }) => number !== changed!.number),
  );
});

test('what stands in a whole file is not withdrawn, though its row cannot be read', async () => {
  await take(FILE);
  const [head, first, ...rest] = FILE.trim().split('\n');
  const number = first!.split(',')[0]!;
  const broken = first!.replace(/^([^,]*),[^,]*/, '$1,Dreaming');
  expect(await take([head, broken, ...rest].join('\n'), true)).toMatchObject({ gone: 0, refused: [{ line: 2 }] });
  const one = await app().m.market.listingOfNumber('1', number);
  expect(one!.status).not.toBe('withdrawn');
});

test.each([
  ['', 'The file is empty.'],
  ['Name,Phone\nOdo,1', 'no column ListingId'],
  ['\u0000\u0001\u0002\u0003 not text', 'no column ListingId'],
])('what is no file of listings is refused and leaves nothing: %j', async (text, why) => {
  await expect(take(text)).rejects.toMatchObject({ code: 'input_unreadable', message: expect.stringContaining(why) });
  expect(await app().m.market.countOnMarket('1')).toBe(0);
});

test('SQL and memory agree on random criteria', async () => {
  await take(FILE);
  const [head, ...records] = readCsv(FILE, ',');
  const names = head!.cells.map((name) => name.toLowerCase());
  const all = records.map(({ cells }) => readListing(new Map(names.map((name, at) => [name, cells[at] ?? ''])))) as Listing[];
  const at = new Date('2026-11-24T20:00:00Z');
  const random = seeded('criteria');
  let hits = 0;
  for (let n = 0; n < 150; n += 1) {
    const maybe = <T>(share: number, value: () => T): T | undefined => (random.chance(share) ? value() : undefined);
    const [x, y] = [random.pick(all).longitude!, random.pick(all).latitude!];
    const criteria: Criteria = {
      areas: maybe(0.4, () =>
        [random.pick(all).city!, random.pick(all).area!, random.pick(all).postalCode!].slice(random.int(0, 2)),
      ),
      within: maybe(0.4, () => [
        [x - 0.02, y - 0.02],
        [x + 0.03, y - 0.01],
        [x + 0.01, y + 0.03],
        [x - 0.03, y + 0.01],
      ]),
      price_min: maybe(0.3, () => random.int(1_000, 400_000)),
      price_max: maybe(0.3, () => random.int(100_000, 800_000)),
      beds_min: maybe(0.3, () => random.int(0, 4)),
      kinds: maybe(0.3, () => [random.pick(all).kind!]),
      lease: maybe(0.2, () => random.chance(0.5)),
      open_house: maybe(0.3, () => true),
    };
    const bind: unknown[] = ['1'];
    const where = ['l.account_id = $1', ...criteriaSql(criteria, at, bind)].join(' and ');
    const found = await app().db.rows<{ number: string }>(`select l.number from listings l where ${where}`, bind);
    const expected = all.filter((listing) => meets(listing, criteria, at)).map(({ number }) => number);
    expect({ criteria, found: found.map(({ number }) => number).sort() }).toEqual({ criteria, found: expected.sort() });
    hits += expected.length;
  }
  expect(hits).toBeGreaterThan(500);
});

test('an inquiry on a listing that is known knows its place and price; switched on, our own goes to the agent who lists it', async () => {
  const { m } = app();
  const as = app().as('Ada');
  const abel = app().users.Abel!;
  await take(
    `ListingId,StandardStatus,UnparsedAddress,City,PostalCode,ListPrice,Latitude,Longitude,PropertySubType,ListAgentFullName\nLC-7,Active,"7 Weir Lane, Oldmill Reach",Oldmill Reach,98771,410000,47.1,-124.2,Cityhouse,${abel.firstName} ${abel.lastName}`,
  );
  const ask = (n: number, listing: object) => app().arrives({ phones: [`+1206555017${n}`], listing });
  await ask(1, { id: 'LC-7' });
  const row = await app().db.first<{ parsed: { listing: object } }>('select parsed from inquiries order by id desc limit 1');
  expect(row!.parsed.listing).toEqual({
    id: 'LC-7',
    address: '7 Weir Lane, Oldmill Reach',
    price: 410_000,
    latitude: 47.1,
    longitude: -124.2,
    kind: 'Cityhouse',
    city: 'Oldmill Reach',
    postal_code: '98771',
  });
  const { version } = await m.routing.readLadder(app().scope);
  await m.routing.saveLadder(as, version, { own_listing: true, rungs: [] });
  for (const [n, listing] of [
    [2, { id: 'LC-7' }],
    [3, { address: '7 weir lane, oldmill reach' }],
  ] as const) {
    await ask(n, listing);
    const last = await app().db.first<{ owner_id: string; because: { why: string } }>(
      'select owner_id, because from inquiries order by id desc limit 1',
    );
    expect(last).toMatchObject({ owner_id: abel.id, because: { why: 'own_listing' } });
  }
});
