/** The Wire: each area with the number that matters there, for whoever looks; on a phone the first in a bar, the rest behind More. */
import { screen, within } from '@testing-library/react';
import { answering, show } from '../../../tests/harness/render';
import type { Role } from '@/core/accounts';
import { WireLine } from './wire';
import type { Wire, WireProps } from './wire-areas';

const WIRE: Wire = {
  today: 26,
  inbox: 2,
  intake: 17,
  contacts: 3_957,
  routing: 3,
  campaigns: 25,
  market: 100,
  results: 85,
} as Wire;
const start = (change: Partial<WireProps> = {}, role: Role = 'agent') => {
  answering({ 'GET /preferences': {}, 'GET /clock': {} });
  const doors = {
    onSearch: jest.fn(),
    onAdd: jest.fn(),
    onHelp: jest.fn(),
    onFormats: jest.fn(),
    onAlerts: jest.fn(),
    onLogin: jest.fn(),
    onProfile: jest.fn(),
    onTimeOff: jest.fn(),
  };
  const line = (
    <WireLine
      wire={WIRE}
      clock={{ now: '2026-11-23T18:24:00Z', simulated: false, held: true }}
      me={{ id: '2', name: 'Asta Lund', role }}
      {...doors}
      {...change}
    />
  );
  return { ...doors, ...show(line) };
};
const areas = () => within(screen.getByRole('navigation', { name: 'Areas' }));
const bar = () => within(screen.getByLabelText('Areas, on a phone'));

test('every area says its number, and what it counts', () => {
  start();
  expect(areas().getByRole('link', { name: /^Contacts/ })).toHaveTextContent('Contacts3,957');
  expect(areas().getByRole('link', { name: /^Routing/ })).toHaveAttribute('title', '3 waiting leads not attempted yet (g r)');
  expect(areas().getByRole('link', { name: /^Routing/ })).toHaveAttribute('data-pressing');
  expect(areas().getByRole('link', { name: /^Results/ })).toHaveTextContent('85%');
});

test('it stands before its numbers are counted', () => {
  start({ wire: null });
  expect(areas().getByRole('link', { name: /^Today/ })).toHaveTextContent('Today…');
  expect(areas().getByRole('link', { name: /^Routing/ })).not.toHaveAttribute('data-pressing');
});

test('a lender has contacts, on a phone too, search, and nothing to add', () => {
  start({}, 'lender');
  expect(areas().getAllByRole('link')).toHaveLength(1);
  expect(bar().getByText('Contacts').closest('a')).toHaveAttribute('href', '/contacts');
  expect(screen.queryByText('Add')).toBeNull();
});

test('search and add are buttons', async () => {
  const { user, onSearch, onAdd } = start();
  await user.click(screen.getByTitle('Search and commands (/)'));
  await user.click(screen.getByTitle('Add a lead (n)'));
  expect(onSearch).toHaveBeenCalledTimes(1);
  expect(onAdd).toHaveBeenCalledTimes(1);
});

test('on a phone: Today and Inbox, search, add; the other areas and one’s own choices behind More', async () => {
  const { user, onSearch, onAdd, onFormats } = start();
  expect(bar().getByText('Today').closest('a')).toHaveTextContent('26Today');
  expect(bar().queryByText('Contacts')).toBeNull();
  await user.click(bar().getByText('Search'));
  await user.click(bar().getByText('Add'));
  expect(onSearch).toHaveBeenCalledTimes(1);
  expect(onAdd).toHaveBeenCalledTimes(1);
  await user.click(bar().getByText('More'));
  const sheet = within(await screen.findByRole('dialog', { name: 'Asta Lund' }));
  expect(sheet.getByRole('link', { name: 'Contacts 3,957' })).toHaveAttribute('href', '/contacts');
  expect(sheet.queryByRole('link', { name: /^Today/ })).toBeNull();
  await user.click(sheet.getByRole('button', { name: /formats/i }));
  expect(onFormats).toHaveBeenCalledTimes(1);
});
