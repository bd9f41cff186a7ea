/** The market of Lantern County: its ground as the map that ships beside this file, and listings that lie where their towns do. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Listing } from '@/core/market';
import { isInside } from '@/core/segments';
import { DAY, localInstant, seeded, type Random } from '@/core/shared';
import { rowOfListing } from '@/server/market';
import { newPage, type Block, type PublicPage } from '@/core/pages';
import type { Tx } from '@/server/shared';
import { AGENT_IDS, BROKERAGE, COLLEAGUES, nameOf, START, ZONE } from './settings';

const HOMES = 140;
interface Area {
  name: string;
  town: string;
  code: string;
  ring: [number, number][];
  streets: string[];
}
interface Feature {
  properties: { kind: string; name: string; town?: string; postalCodes?: string[] };
  geometry: { type: string; coordinates: unknown };
}

const readMap = (): { features: Feature[] } =>
  JSON.parse(readFileSync(join(process.cwd(), 'scripts/world/lantern-county.geojson'), 'utf8')) as { features: Feature[] };

function areasOf(features: Feature[]): Area[] {
  const of = (kind: string) => features.filter(({ properties }) => properties.kind === kind);
  const towns = new Map(of('town').map(({ properties }) => [properties.name, properties.postalCodes ?? []]));
  return of('neighborhood').map(({ properties: { name, town = '' }, geometry }, at) => {
    const codes = towns.get(town) ?? [];
    const streets = of('street')
      .filter(({ properties }) => properties.town === town)
      .map(({ properties }) => properties.name);
    return {
      name,
      town,
      code: codes[at % Math.max(1, codes.length)] ?? '',
      ring: (geometry.coordinates as [number, number][][])[0]!,
      streets: streets.length ? streets : [`${name} Street`, `${name} Lane`],
    };
  });
}

function pointIn(ring: [number, number][], random: Random): [number, number] {
  const xs = ring.map(([x]) => x);
  const ys = ring.map(([, y]) => y);
  const [west, east, south, north] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  for (;;) {
    const point: [number, number] = [west + random.next() * (east - west), south + random.next() * (north - south)];
    if (isInside(point, ring)) return [Number(point[0].toFixed(6)), Number(point[1].toFixed(6))];
  }
}

const KINDS: [string, string, number][] = [
  ['Residential', 'Single Family Residence', 0.62],
  ['Residential', 'Condominium', 0.16],
  ['Residential', 'Townhouse', 0.09],
  ['Residential Lease', 'Apartment', 0.08],
  ['Land', 'Unimproved Land', 0.05],
];
const WITH = [
  'a cedar deck',
  'a south-facing porch',
  'a view of the water',
  'a walled garden',
  'a workshop',
  'an orchard corner',
  'a boat shed',
];
const FEEL = ['Bright', 'Quiet', 'Carefully restored', 'Roomy', 'Solid', 'Sunny'];
const CLOSE = ['Sold with the appliances.', 'New roof last year.', 'A ten-minute walk to the landing.', 'On a dead-end street.'];

const BEDS: Record<string, [number, number]> = { Apartment: [0, 2], Condominium: [1, 3], other: [2, 5] };
/** Up to which side of a die a listing has each status. */
const STATUSES: [Listing['status'], number][] = [
  ['active', 0.66],
  ['coming_soon', 0.71],
  ['pending', 0.8],
  ['under_contract', 0.86],
  ['closed', 0.95],
  ['withdrawn', 1],
];
function drawPrice(type: string, livingArea: number | null, random: Random): number {
  if (type === 'Residential Lease') return 900 + random.int(0, 140) * 10;
  if (livingArea === null) return 60_000 + random.int(0, 120) * 1_000;
  return Math.round((livingArea * random.int(190, 310)) / 100) * 100;
}

/** A fifth of the listings are of other houses; the rest are of our agents. */
function drawListing(n: number, areas: Area[]): Listing {
  const random = seeded(`listing ${n}`);
  const area = random.pick(areas);
  let draw = random.next();
  const [type, kind] = KINDS.find(([, , share]) => (draw -= share) < 0) ?? KINDS[0]!;
  const isLand = type === 'Land';
  const beds = isLand ? null : random.int(...(BEDS[kind] ?? BEDS.other!));
  const livingArea = isLand ? null : Math.round((520 + (beds ?? 0) * 390 + random.int(0, 400)) / 10) * 10;
  const price = drawPrice(type, livingArea, random);
  const [longitude, latitude] = pointIn(area.ring, random);
  const side = random.next();
  const status = STATUSES.find(([, upTo]) => side < upTo)![0];
  const open = status === 'active' && !isLand && random.chance(0.32);
  const day = random.pick([3, 5, 6, 6, 12]);
  const hour = random.int(10, 16);
  const at = (h: number) => localInstant(START, ZONE, day, `${String(h).padStart(2, '0')}:00`);
  return {
    number: `TT-${40_000 + n * 7}`,
    status,
    price,
    address: `${random.int(2, 940)} ${random.pick(area.streets)}, ${area.town}, WA ${area.code}`,
    city: area.town,
    postalCode: area.code,
    area: area.name,
    beds,
    baths: isLand ? null : Math.max(1, Math.round((beds ?? 1) * 0.6)),
    livingArea,
    type,
    kind,
    latitude,
    longitude,
    pool: !isLand && random.chance(0.07),
    openFrom: open ? at(hour) : null,
    openTo: open ? at(hour + 2) : null,
    remarks: isLand
      ? `Open lot in ${area.name}, surveyed, with water at the road.`
      : `${random.pick(FEEL)} ${kind === 'Condominium' || kind === 'Apartment' ? 'rooms' : 'house'} in ${area.name} with ${random.pick(WITH)} and ${random.pick(WITH)}. ${random.pick(CLOSE)}`,
    agentName: random.chance(0.8) ? nameOf(random.pick(AGENT_IDS)) : 'Cormac Ebersole',
    onMarket: new Date(START.getTime() - random.int(0, 90) * DAY).toISOString().slice(0, 10),
  };
}

/** A page of a kind with other words in its heading and text, and blocks put before its form. */
function worded(kind: PublicPage['kind'], heading: string, text: string, before: Block[] = []): PublicPage {
  const page = newPage(kind, BROKERAGE);
  const blocks = page.blocks.map((block) =>
    block.kind === 'heading' ? { ...block, text: heading } : block.kind === 'text' ? { ...block, text } : block,
  );
  const form = blocks.findIndex((block) => block.kind === 'form');
  blocks.splice(form + 1, 0, ...before);
  return { ...page, blocks };
}

/** The contact form of the demo. */
export function contactPage(): PublicPage {
  const page = worded(
    'form',
    'Homes in Lantern County',
    'Tell us what you’re looking for. One of our agents will answer, usually within minutes.',
    [{ id: 'b6', kind: 'agent', user_id: '2' }],
  );
  const blocks = page.blocks.map((block): Block =>
    block.kind === 'form' ? { ...block, asks: ['last_name', 'phone', 'email', 'role', 'city', 'message'] } : block,
  );
  return { ...page, blocks, permissions: { ...page.permissions, call: null, email: null } };
}

/** An open house of one of ours, and a search along the water. */
function publicPages(homes: Listing[]) {
  const open = homes.find((home) => home.openFrom && home.agentName !== 'Cormac Ebersole' && home.city === 'Quillhaven')!;
  const host = COLLEAGUES.find(({ id }) => nameOf(id) === open.agentName)!;
  const cover = homes.find(
    (home) => home.status === 'active' && home.city === 'Petrel Point' && home.kind === 'Single Family Residence',
  )!;
  return [
    {
      id: 7,
      name: 'Open house',
      slug: 'open-house',
      tags: ['Open house'],
      page: {
        ...worded('sign_in', 'Welcome', 'Please sign in before you look around.'),
        listing: open.number,
        host_id: host.id,
      },
    },
    {
      id: 8,
      name: 'Homes by the water',
      slug: 'homes',
      tags: ['Home search'],
      page: {
        ...worded('search', 'Homes by the water', 'Everything on the market along the coast of Lantern County, as it is today.'),
        criteria: { areas: ['Petrel Point', 'Saltmarsh', 'Quillhaven'] },
        cover: cover.number,
      },
    },
  ];
}

/** Writes ground, listings and the public pages that show them. */
export async function writeMarket(tx: Tx): Promise<void> {
  const map = readMap();
  const areas = areasOf(map.features);
  await tx.run('insert into base_maps (account_id, geojson, changed_at) values (1, $1::jsonb, $2)', [JSON.stringify(map), START]);
  const homes = Array.from({ length: HOMES }, (_, n) => drawListing(n, areas));
  const rows = homes.map(rowOfListing);
  await tx.run(
    `insert into listings (account_id, number, status, price, address, city, postal_code, area, beds, baths, living_area, type, kind, latitude, longitude, pool, open_from, open_to, remarks, agent_name, on_market, agent_id, taken_at, changed_at)
     select 1, x.*, (select u.id from users u where u.first_name || ' ' || u.last_name = x.agent_name), $2, $2
     from jsonb_to_recordset($1::jsonb) as x (number text, status text, price numeric, address text, city text, postal_code text, area text, beds numeric, baths numeric, living_area numeric, type text, kind text,
       latitude float8, longitude float8, pool boolean, open_from timestamptz, open_to timestamptz, remarks text, agent_name text, on_market date)`,
    [JSON.stringify(rows), START],
  );
  for (const { id, name, slug, tags, page } of publicPages(homes))
    await tx.run(
      `insert into doors (id, account_id, kind, name, slug, source, page, defaults) overriding system value values ($1, 1, 'page', $2, $3, $2, $4::jsonb, $5::jsonb)`,
      [id, name, slug, JSON.stringify(page), JSON.stringify({ tags })],
    );
}
