/** Homes on a public page: their words are words, what was asked stays chosen, and a home that is gone says so. */
import { drawHome } from '../../primitives/home-drawing';
import { homeHtml, homesHtml, type PublicListing, type SearchPlace } from './homes';

const home = (more: Partial<PublicListing> = {}): PublicListing => ({
  id: '1',
  number: 'LM-4471',
  status: 'active',
  price: 410_000,
  address: '12 Heron Lane',
  city: 'Saltmarsh',
  postal_code: '00412',
  area: null,
  beds: 3,
  baths: 2,
  living_area: 1_800,
  type: null,
  kind: 'House',
  latitude: null,
  longitude: null,
  pool: false,
  open_from: null,
  open_to: null,
  remarks: null,
  on_market: null,
  agent_name: null,
  agent: null,
  ...more,
});
const place = (more: Partial<SearchPlace> = {}): SearchPlace => ({
  slug: 'county',
  homes: [home()],
  total: 1,
  next: null,
  query: {},
  words: {},
  areas: [{ name: 'Old quay', town: 'Saltmarsh' }],
  kinds: ['House'],
  saved: [],
  zone: 'America/Los_Angeles',
  at: new Date('2026-11-27T18:00:00Z'),
  ...more,
});
const around = { slug: 'county', saved: false, zone: 'America/Los_Angeles', at: new Date('2026-11-27T18:00:00Z'), token: 't' };
const EVIL = '"><script>alert(1)</script>';

test('markup in whatever a listing says is shown as words, in the list and alone', () => {
  const evil = home({ number: EVIL, address: EVIL, remarks: EVIL, kind: EVIL, area: EVIL, agent_name: EVIL });
  const list = String(
    homesHtml(place({ homes: [evil], areas: [{ name: EVIL, town: EVIL }], kinds: [EVIL], next: EVIL, words: { within: EVIL } })),
  );
  for (const text of [list, String(homeHtml(evil, { ...around, token: EVIL }))])
    expect([text.includes('<script'), text.includes('&#60;script&#62;alert(1)&#60;/script&#62;')]).toEqual([false, true]);
  expect(drawHome(evil)).toMatch(/^<svg [^]*<\/svg>$/);
  expect(drawHome(evil)).not.toContain('script');
});

test('what was asked stays chosen, a price between the usual ones too', () => {
  const text = String(
    homesHtml(
      place({
        query: { price_max: 333_000, beds_min: 3, areas: ['Old quay'], open_house: true },
        words: { price_max: '333000' },
      }),
    ),
  );
  expect(text).toMatch(/value="333000"\s+selected\s*>\$333,000/);
  expect(text).toMatch(/value="3"\s+selected/);
  expect(text).toMatch(/value="Old quay"\s+selected/);
  expect(text).toMatch(/name="open_house" value="true"\s+checked/);
  expect(text).toContain('all homes');
});

test('a search that finds nothing says what to do; one with more leads on with what was asked', () => {
  expect(String(homesHtml(place({ homes: [], total: 0 })))).toContain('Try fewer filters');
  expect(String(homesHtml(place({ total: 40, next: 'abc', words: { beds_min: '3' } })))).toContain(
    'href="/p/county?beds_min=3&amp;from=abc"',
  );
});

test('an open house is told until it is over, by the clock of its place', () => {
  const open = { open_from: '2026-11-28T21:00:00Z', open_to: '2026-11-28T23:00:00Z' } as Partial<PublicListing>;
  expect(String(homeHtml(home(open), around))).toMatch(/open house Sat, Nov 28.*1:00\sPM/);
  expect(String(homeHtml(home(open), { ...around, at: new Date('2026-11-28T23:00:01Z') }))).not.toContain('open house');
});

test('a home may be saved once, and says when it is gone', () => {
  expect(String(homeHtml(home(), around))).toContain('Save this home');
  expect(String(homeHtml(home(), { ...around, saved: true }))).not.toContain('Save this home');
  expect(String(homeHtml(home({ status: 'closed' }), around))).toContain('no longer on the market');
});

test.each(['House', 'Condominium', 'Cityhouse', 'Land', null])(
  'a drawing of %s is the same each time, with as many windows as it has rooms to show',
  (kind) => {
    const drawn = drawHome(home({ kind }));
    expect(drawn).toBe(drawHome(home({ kind })));
    expect(drawn).toMatch(/^<svg [^>]+aria-label="Drawing".*<\/svg>$/s);
    expect(drawn).not.toMatch(/NaN|undefined/);
    expect(drawHome(home({ kind, pool: true }))).not.toBe(drawn);
  },
);
