/** Results: every number opens its people, a share says of what it is, the period is remembered. */
import { screen, waitFor, within } from '@testing-library/react';
import { answering, sentTo, show } from '../../../tests/harness/render';
import { ResultsArea, type Results } from './results';

const row = (agent: { id: string; name: string } | null, more: object = {}) => ({
  agent,
  leads: 1_240,
  tried: 620,
  fast: 310,
  reached: 434,
  conversations: 62,
  clients: 12,
  talkSeconds: 190_800,
  medianSpeedSeconds: 574,
  ...more,
});
const FIRST = {
  conversation_seconds: 120,
  rows: [row(null), row({ id: '2', name: 'Asta Lund' }, { talkSeconds: 0, medianSpeedSeconds: null })],
} as unknown as Results;
const SPEED = {
  items: [
    { key: '1-9', name: 'Monday', leads: 8, fast: 2, median_seconds: 300 },
    { key: '7-21', name: 'Sunday', leads: 1, fast: 1, median_seconds: null },
  ],
};
const API = { 'GET /results': FIRST, 'GET /results/speed': SPEED, 'GET /preferences': {}, 'PUT /preferences': {} };

test('numbers open their people, shares are of what the heading says', async () => {
  answering(API);
  show(<ResultsArea first={FIRST} days={30} mine={false} />);
  const line = within(screen.getByRole('row', { name: /^Asta Lund/ }));
  expect(line.getByRole('link', { name: '620' })).toHaveAttribute('href', '/contacts?measure=tried&days=30&agent=2');
  expect(line.getAllByRole('cell').map((cell) => cell.textContent)).toEqual([
    'Asta Lund',
    '1,240 ',
    '620 50%',
    '310 25%',
    '434 70%',
    '62 10%',
    '12 1%',
    '–',
    '–',
  ]);
  expect(screen.getByRole('columnheader', { name: /Reached/ })).toHaveTextContent('% of attempted');
  expect(screen.getByRole('columnheader', { name: /Clients/ })).toHaveTextContent('% of leads');
  expect(within(screen.getByRole('row', { name: /^Total/ })).getByText('53 hr')).toBeVisible();
});

test('the period and the way of speed to lead are remembered', async () => {
  const asked = answering(API);
  const { user } = show(<ResultsArea first={FIRST} days={30} mine />);
  await screen.findByText(/yours only/);
  await user.click(screen.getByRole('button', { name: '90 days' }));
  await waitFor(() => expect(sentTo(asked, 'PUT /preferences')).toEqual({ view: { results_days: 90 } }));
  expect(screen.getByRole('button', { name: '90 days' })).toHaveAttribute('aria-pressed', 'true');
  await user.click(screen.getByRole('button', { name: 'Hour of the week' }));
  await waitFor(() => expect(sentTo(asked, 'PUT /preferences')).toEqual({ view: { results_days: 90, results_by: 'hour' } }));
  const week = within(await screen.findByRole('group', { name: 'Leads by hour of the week' }));
  expect(week.getByRole('link', { name: 'Mon 9 AM: 8 leads, 25% attempted in 5 minutes, median 5 min' })).toHaveAttribute(
    'href',
    '/contacts?measure=leads&days=90&hour=1-9',
  );
  expect(week.getByRole('link', { name: /^Sun 9 PM: 1 lead, 100%/ })).toBeVisible();
});

test('a period without leads says so', () => {
  answering(API);
  show(<ResultsArea first={{ conversation_seconds: 120, rows: [] }} days={7} mine={false} />);
  expect(screen.getByText('No leads in this period.')).toBeVisible();
});
