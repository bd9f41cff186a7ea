/** Intake: every inquiry with who got it and why, raw beside what was read; emails that wait for a person. */
import { screen, waitFor, within } from '@testing-library/react';
import { answering, show } from '../../../tests/harness/render';
import { IntakeArea } from './intake';
import type { DoorJson } from './shapes';

const inquiry = (id: string, name: string, more: object = {}) => ({
  id,
  arrived_at: '2026-11-23T18:20:00Z',
  first_try_at: null,
  contact: { id: `5${id}`, name, status: 'created' },
  door: { id: '2', name: 'Portals' },
  source: 'Brackwater',
  ask: 'asks about 14 Heron Lane',
  because: 'Rung 1: buyers go to Coast agents.',
  agent: { id: '2', name: 'Asta Lund' },
  lead_mail_id: null,
  parsed: { emails: ['oda@kelp.example'], phones: [] },
  raw: { person: { emails: ['oda@kelp.example'] } },
  ...more,
});
const ROWS = [
  inquiry('1', 'Odalys Brandt'),
  inquiry('2', '', { first_try_at: '2026-11-23T18:22:00Z', contact: { id: '52', name: '', status: 'matched' } }),
];
const DOORS = [
  { id: '2', name: 'Portals', kind: 'api', quiet: null, defaults: {}, arrivals_30_days: 4, last_arrival_at: null },
  {
    id: '3',
    name: 'Our website',
    kind: 'page',
    quiet: 'Quiet for 3 days.',
    defaults: {},
    arrivals_30_days: 0,
    last_arrival_at: null,
  },
] as unknown as DoorJson[];
const MAIL = {
  id: '9',
  subject: 'New lead from the portal',
  from: { name: 'Portal', address: 'leads@portal.example' },
  door: 'Portals',
  because: 'It names two people.',
  arrived_at: '2026-11-23T18:00:00Z',
};
const start = (answers: object = {}, office = true) => {
  const asked = answering({
    'GET /inquiries': { items: ROWS, next_cursor: null },
    'GET /inquiries/1': ROWS[0],
    'GET /inquiries/2': ROWS[1],
    'GET /inquiries/1/trace': { rungs: [], steps: [], because: '' },
    'GET /inquiries/2/trace': { rungs: [], steps: [], because: '' },
    'GET /lead-mails': { items: [] },
    'GET /doors': { items: DOORS },
    'GET /senders': { items: [] },
    'GET /sources': { items: [] },
    'GET /vocabulary': { names: {}, fields: [] },
    ...answers,
  });
  return { asked, ...show(<IntakeArea doors={DOORS} office={office} />) };
};
const side = () => screen.findByRole('region', { name: 'One inquiry' });

test('the newest is shown beside, with what was read of it and how it came', async () => {
  start();
  const one = await side();
  expect(within(one).getByRole('heading', { name: 'Odalys Brandt' })).toBeVisible();
  expect(one).toHaveTextContent('Rung 1: buyers go to Coast agents. With Asta Lund.');
  expect(within(one).getAllByText('oda@kelp.example').length).toBeGreaterThan(0);
  expect(within(one).getByRole('link', { name: /Open/ })).toHaveAttribute('href', '/contacts?contact=51');
});

test('another is chosen by a click or by j; who came back is marked', async () => {
  const { user } = start();
  await side();
  expect(screen.getByText('returning')).toBeVisible();
  await user.keyboard('j');
  await waitFor(() => expect(screen.getByRole('heading', { level: 1, name: 'No name' })).toBeVisible());
  await user.click(screen.getAllByRole('button', { name: /Odalys Brandt/ })[0]!);
  await waitFor(() => expect(screen.getByRole('heading', { level: 1, name: 'Odalys Brandt' })).toBeVisible());
});

test('a door that has gone quiet is named above', async () => {
  start();
  await side();
  expect(screen.getByRole('link', { name: /^2 doors/ })).toHaveTextContent('2 doors, quiet: Our website');
});

test('emails that nobody could read wait for a person; others were no leads', async () => {
  const { user } = start({ 'GET /lead-mails': { items: [MAIL] } });
  const mails = within(await screen.findByRole('region', { name: 'Emails to review' }));
  expect(mails.getByText('New lead from the portal')).toBeVisible();
  expect(mails.getByText(/Portal, door “Portals” · It names two people\./)).toBeVisible();
  await user.click(mails.getByRole('button', { name: 'Not leads: 1' }));
  expect(mails.getByRole('button', { name: 'Back to emails to review' })).toBeVisible();
});

test('who does not run the office sees no emails of nobody', async () => {
  const { asked } = start({ 'GET /lead-mails': { items: [MAIL] } }, false);
  await side();
  expect(asked.map(({ route }) => route)).not.toContain('GET /lead-mails');
  expect(screen.queryByRole('region', { name: 'Emails to review' })).toBeNull();
});

test('none yet says how to begin', async () => {
  start({ 'GET /inquiries': { items: [], next_cursor: null } });
  expect(await screen.findByText(/^No inquiries yet\. Connect a lead source/)).toBeVisible();
});
