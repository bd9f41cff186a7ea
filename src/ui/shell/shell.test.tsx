/** The frame of every page: keys that work everywhere, numbers of the Wire that come later, what each role has of it. */
import { useState } from 'react';
import { act, screen, waitFor, within } from '@testing-library/react';
import { DEFAULT_FORMAT } from '@/core/format';
import type { Role } from '@/core/accounts';
import { answering, going, show, type Answers } from '../../../tests/harness/render';
import { readDraft, writeDraft, useFormat } from '../primitives';
import { Shell } from './shell';
import type { Wire, WireStand } from './wire-areas';

jest.mock('../capture', () => ({ AddLeadDialog: () => <div role="dialog" aria-label="Add lead" /> }));
const WIRE = { today: 26, inbox: 2, intake: 0, contacts: 3_957, routing: 0, campaigns: 5, market: 9, results: 85 };
const FRAME = { clock: { now: '2026-11-23T18:24:00Z', simulated: false, held: true }, calling: false } as WireStand;
const OFFERS: Answers = { 'GET /offers': { items: [] }, 'GET /wire': { ...FRAME, ...WIRE }, 'GET /preferences': {} };

class Quiet {
  addEventListener() {}
  close() {}
}
beforeEach(() => void ((globalThis as unknown as { EventSource: unknown }).EventSource = Quiet));

function Day() {
  return <p>{useFormat().clockTime('21:00')}</p>;
}
const COUNTED: Wire = { ...FRAME, ...WIRE };
interface Started {
  wire?: Wire | Promise<Wire | null>;
  id?: string;
}
function AnyPage({ role, wire = COUNTED, id = '2' }: Started & { role: Role }) {
  const [format, setFormat] = useState(DEFAULT_FORMAT);
  return (
    <>
      <Shell me={{ id, name: 'Asta Lund', role, zone: 'America/Los_Angeles' }} frame={FRAME} wire={wire} format={format}>
        <h1>Here</h1>
        <Day />
      </Shell>
      <button onClick={() => setFormat({ ...DEFAULT_FORMAT, locale: 'en-GB' })}>Read again</button>
    </>
  );
}
const start = (role: Role = 'agent', started: Started = {}) => {
  const asked = answering(OFFERS);
  return { asked, ...show(<AnyPage role={role} {...started} />) };
};
const areas = () => within(screen.getByRole('navigation', { name: 'Areas' }));

test('the page stands under the Wire, and can be gone to past it', () => {
  start();
  expect(areas().getByRole('link', { name: /^Contacts/ })).toHaveTextContent('3,957');
  expect(within(screen.getByRole('main')).getByRole('heading', { name: 'Here' })).toBeVisible();
  expect(screen.getByRole('link', { name: 'Skip to content' })).toHaveAttribute('href', '#main');
  expect(screen.getByRole('main')).toHaveAttribute('id', 'main');
});

test('numbers that come later are put on it', async () => {
  let come: (wire: Wire) => void = () => {};
  const wire = new Promise<Wire | null>((resolve) => (come = resolve));
  await act(async () => void start('agent', { wire }));
  expect(areas().getByRole('link', { name: /^Contacts/ })).toHaveTextContent('Contacts…');
  await act(async () => come(COUNTED));
  await waitFor(() => expect(areas().getByRole('link', { name: /^Contacts/ })).toHaveTextContent('3,957'));
});

test('numbers that could not be counted are asked for', async () => {
  let asked: { route: string }[] = [];
  await act(async () => void ({ asked } = start('agent', { wire: Promise.resolve(null) })));
  await waitFor(() => expect(asked.map(({ route }) => route)).toContain('GET /wire'));
});

test.each([
  ['n', 'Add lead'],
  ['?', 'Shortcuts'],
  ['/', 'Search'],
])('%s opens %s', async (key, name) => {
  const { user } = start();
  await user.keyboard(key);
  expect(await screen.findByRole('dialog', { name: new RegExp(name) })).toBeInTheDocument();
});

test('a lender adds no leads, and is offered none', async () => {
  const { user, asked } = start('lender');
  await user.keyboard('n');
  await new Promise((resolve) => setTimeout(resolve, 50));
  expect(screen.queryByRole('dialog')).toBeNull();
  expect(asked.map(({ route }) => route)).not.toContain('GET /offers');
});

test('g and a letter go to an area', async () => {
  const went = going();
  const { user } = start();
  await user.keyboard('gc');
  await waitFor(() => expect(went).toEqual(['/contacts']));
});

test('z says when there is nothing to undo', async () => {
  const { user } = start();
  await user.keyboard('z');
  expect(await screen.findByText('Nothing to undo here.')).toBeVisible();
});

test('Shift+M blurs numbers, and shows them again', async () => {
  const { user } = start();
  await user.keyboard('{Shift>}M{/Shift}');
  expect(await screen.findByText('Phone numbers and emails are blurred.')).toBeVisible();
  await user.keyboard('{Shift>}M{/Shift}');
  expect(await screen.findByText('Phone numbers and emails are visible.')).toBeVisible();
});

test('formats that the account changed show when the page is read again', async () => {
  const { user } = start();
  expect(screen.getByText('9 PM')).toBeVisible();
  await user.click(screen.getByText('Read again'));
  expect(screen.queryByText('9 PM')).toBeNull();
});

test('half-written things are those of whoever is logged in', () => {
  const first = start('agent', { id: '2' });
  writeDraft('note_5', 'Wants a slip');
  first.unmount();
  const other = start('agent', { id: '3' });
  expect(readDraft('note_5')).toBe('');
  other.unmount();
  start('agent', { id: '2' });
  expect(readDraft('note_5')).toBe('Wants a slip');
});
