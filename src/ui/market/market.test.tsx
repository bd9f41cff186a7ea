/** Market: what one asks for narrows the homes, one is chosen, and a file that is complete withdraws only what was shown before. */
import { screen, waitFor, within } from '@testing-library/react';
import { answering, refusal, show, type AskedCall } from '../../../tests/harness/render';
import { MarketArea, type ListingJson } from './market';

jest.mock('./map', () => ({ MapView: () => <p>Map</p> }));

const HOME = {
  id: '1',
  number: 'LC-1',
  status: 'active',
  price: 469_400,
  address: '14 Heron Lane',
  city: 'Saltmarsh',
  area: 'Old quay',
  postal_code: '98731',
  beds: 3,
  baths: 2,
  living_area: 1_640,
  type: 'Residential',
  kind: 'House',
  latitude: 47.1,
  longitude: -123.9,
  pool: false,
  open_from: '2026-11-28T21:00:00Z',
  open_to: '2026-11-28T23:00:00Z',
  remarks: 'A dock of its own.',
  agent: { id: '2', name: 'Asta Lund' },
  agent_name: 'Asta Lund',
  on_market: '2026-11-02',
} as unknown as ListingJson;
const OTHER = { ...HOME, id: '2', number: 'LC-2', address: '22 Kelp Street', open_from: null, open_to: null };
const IMPORTED = {
  rows: 2,
  added: 1,
  changed: 0,
  same: 1,
  gone: 0,
  withdrawn: [],
  imported_at: '2026-11-23T18:24:00.000Z',
  refused: [],
};
const API = {
  'GET /listings': { items: [HOME, OTHER], total: 2 },
  'GET /market': {
    areas: [
      { name: 'Saltmarsh', town: null, n: 12 },
      { name: 'Old quay', town: 'Saltmarsh', n: 4 },
    ],
    kinds: [{ name: 'House', n: 9 }],
  },
};
/** The queries of every call of a route, which `answering` leaves out. */
const queries: string[] = [];
const asking = (answers: object): AskedCall[] => {
  queries.length = 0;
  const asked = answering({ ...API, ...answers });
  const answer = globalThis.fetch;
  globalThis.fetch = ((address: string, init?: RequestInit) => {
    queries.push(`${init?.method ?? 'GET'} ${decodeURIComponent(address).replace('/api/v1', '')}`);
    return answer(address, init);
  }) as typeof fetch;
  return asked;
};
const lastQuery = (): string => queries.findLast((one) => one.startsWith('GET /listings')) ?? '';

test('prices as people type them, areas and kinds narrow the homes', async () => {
  asking({});
  const { user } = show(<MarketArea office={false} />);
  expect(await screen.findByText(/: 2 on the market$/)).toBeVisible();
  await user.type(screen.getByLabelText('Max price'), '500k{Tab}');
  await waitFor(() => expect(lastQuery()).toContain('price_max=500000'));
  expect(screen.getByLabelText('Max price')).toHaveValue('$500,000');
  await user.selectOptions(await screen.findByLabelText('Area'), 'Saltmarsh: Old quay (4)');
  await user.selectOptions(screen.getByLabelText('Bedrooms'), '3 or more');
  await user.click(screen.getByRole('button', { name: 'open house' }));
  await waitFor(() => expect(lastQuery()).toMatch(/areas=Old\+quay.*beds_min=3.*open_house=true/));
  await user.click(screen.getByRole('button', { name: 'Old quay ×' }));
  await waitFor(() => expect(lastQuery()).not.toContain('areas='));
});

test('a price that cannot be read narrows nothing and is said at its field', async () => {
  asking({});
  const { user } = show(<MarketArea office={false} />);
  await screen.findByText('14 Heron Lane');
  await user.type(screen.getByLabelText('Min price'), 'cheap{Tab}');
  expect(screen.getByLabelText('Min price')).toHaveAttribute('aria-invalid', 'true');
  expect(lastQuery()).not.toContain('price_min');
});

test('a home that is chosen is shown with what is known of it', async () => {
  asking({});
  const { user } = show(<MarketArea office={false} />);
  const line = await screen.findByRole('button', { name: /14 Heron Lane/ });
  expect(line).toHaveTextContent('open house Sat, Nov 28, 1:00 PM to 3:00 PM');
  await user.click(line);
  const one = screen.getByRole('region', { name: 'One listing' });
  expect(one).toHaveTextContent('$469,400');
  expect(one).toHaveTextContent('listed by Asta Lund, ours');
  expect(line).toHaveAttribute('aria-current', 'true');
});

test('without any, it says how to begin; with a filter, to remove one', async () => {
  asking({ 'GET /listings': { items: [], total: 0 } });
  const { user } = show(<MarketArea office />);
  expect(await screen.findByText(/^No listings yet\. Import a CSV from your MLS/)).toBeVisible();
  await user.selectOptions(screen.getByLabelText('Status'), 'sold');
  expect(await screen.findByText('No matches. Remove a filter.')).toBeVisible();
});

describe('a file of listings', () => {
  const FILE = new File(['ListingId\nLC-1'], 'listings.csv', { type: 'text/csv' });
  const input = () => screen.getByLabelText('Import listings');

  test('comes in, with what became of it and which rows could not be read', async () => {
    asking({ 'PUT /listings/file': { ...IMPORTED, refused: [{ line: 7, why: 'has no number' }] } });
    const { user } = show(<MarketArea office />);
    await user.upload(input(), FILE);
    expect(await screen.findByText('1 new, 0 changed, 1 unchanged, 1 not readable.')).toBeVisible();
    expect(screen.getByText('Line 7 has no number.')).toBeVisible();
    expect(queries.filter((one) => one.startsWith('PUT'))).toEqual(['PUT /listings/file?whole=false']);
  });

  test('one that is complete shows first what it withdraws, and that can be undone', async () => {
    const asked = asking({
      'PUT /listings/file': { ...IMPORTED, gone: 1, withdrawn: [{ number: 'LC-2', address: '22 Kelp Street' }] },
      'POST /listings/restore': { restored: 1 },
    });
    const { user } = show(<MarketArea office />);
    await user.click(screen.getByRole('checkbox', { name: /^This file is complete/ }));
    await user.upload(input(), FILE);
    const dialog = within(await screen.findByRole('dialog', { name: 'Withdraw 1 listing?' }));
    expect(dialog.getByText('22 Kelp Street')).toBeVisible();
    expect(queries.filter((one) => one.startsWith('PUT'))).toEqual(['PUT /listings/file?whole=true&preview=true']);
    await user.click(dialog.getByRole('button', { name: 'Import and withdraw 1' }));
    expect(await screen.findByText('1 new, 0 changed, 1 unchanged, 1 withdrawn.')).toBeVisible();
    expect(queries.filter((one) => one.startsWith('PUT')).at(-1)).toBe('PUT /listings/file?whole=true');
    await user.click(screen.getByRole('button', { name: /^Undo/ }));
    await waitFor(() =>
      expect(asked.findLast(({ route }) => route === 'POST /listings/restore')?.body).toEqual({
        imported_at: '2026-11-23T18:24:00.000Z',
      }),
    );
    expect(await screen.findByText('1 listing is back on the market.')).toBeVisible();
  });

  test('rows that cannot be read are told before it withdraws', async () => {
    asking({ 'PUT /listings/file': { ...IMPORTED, gone: 1, refused: [{ line: 3, why: 'has no UnparsedAddress' }] } });
    const { user } = show(<MarketArea office />);
    await user.click(screen.getByRole('checkbox', { name: /^This file is complete/ }));
    await user.upload(input(), FILE);
    const dialog = within(await screen.findByRole('dialog', { name: 'Withdraw 1 listing?' }));
    expect(dialog.getByText('Line 3 has no UnparsedAddress.')).toBeVisible();
    expect(dialog.getByText(/Listings whose number stands in them stay as they are/)).toBeVisible();
  });

  test('put off, nothing comes in', async () => {
    asking({ 'PUT /listings/file': { ...IMPORTED, gone: 2, withdrawn: [] } });
    const { user } = show(<MarketArea office />);
    await user.click(screen.getByRole('checkbox', { name: /^This file is complete/ }));
    await user.upload(input(), FILE);
    await screen.findByRole('dialog', { name: 'Withdraw 2 listings?' });
    await user.keyboard('{Escape}');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(queries.filter((one) => one.startsWith('PUT'))).toHaveLength(1);
  });

  test('what is no such file says so', async () => {
    asking({ 'PUT /listings/file': refusal(422, { code: 'input_unreadable', detail: 'This isn’t a CSV file.' }) });
    const { user } = show(<MarketArea office />);
    await user.upload(input(), FILE);
    expect(await screen.findByText('This isn’t a CSV file.')).toBeVisible();
  });
});
