/** Setup → Start: what is done and what is not, each with its place; a step skipped; a test lead and who got it. */
import { screen, waitFor, within } from '@testing-library/react';
import { startGaps, startSteps, type StartFacts } from '@/core/accounts';
import { answering, sentTo, show } from '../../../tests/harness/render';
import { Start } from './start';

const FACTS: StartFacts = {
  contacts: 12,
  mail: 'missing',
  sources: 1,
  leads: 0,
  users: 1,
  invited: 0,
  postalAddress: false,
  campaignsOn: 0,
  onRosters: 0,
  texts: true,
  calls: true,
  letters: true,
  registry: true,
  receivesMail: false,
};
const DOORS = {
  items: [
    { id: '7', name: 'Our website', kind: 'api', address: 'https://x.example/in/1' },
    { id: '1', name: 'By hand', kind: 'hand', address: null },
  ],
};
const open = (skipped: string[] = [], more: object = {}) => {
  const asked = answering({
    'GET /start': { steps: startSteps(FACTS, skipped), gaps: startGaps(FACTS) },
    'GET /doors': DOORS,
    'PATCH /settings': {},
    ...more,
  });
  return { asked, ...show(<Start />) };
};

test('steps say how far they are, and lead to where they are done', async () => {
  open();
  expect(await screen.findByText('5 of 6 to go. Skip what you don’t need.')).toBeVisible();
  expect(screen.getByText('12 contacts so far.')).toBeVisible();
  expect(screen.getByRole('link', { name: 'Connect email' })).toHaveAttribute('href', '/setup/connections#mail-server');
  const gaps = within(screen.getByRole('region', { name: 'Not working yet' }));
  expect(gaps.getByText('No one is on a roster')).toBeVisible();
  expect(gaps.getByRole('link', { name: 'Fix' })).toHaveAttribute('href', '/routing');
  expect(gaps.getByText(/MAIL_DOMAIN/)).toBeVisible();
});

test('a step is skipped, and taken up again', async () => {
  const { user, asked } = open(['agents']);
  await user.click(await screen.findByRole('button', { name: 'Connect email: skip' }));
  await waitFor(() => expect(sentTo(asked, 'PATCH /settings')).toEqual({ skipped_steps: ['agents', 'mail'] }));
  await user.click(screen.getByRole('button', { name: 'Invite your agents: don’t skip' }));
  await waitFor(() => expect(sentTo(asked, 'PATCH /settings')).toEqual({ skipped_steps: [] }));
});

test('a test lead comes by a source of one’s own, and says who got it', async () => {
  const { user } = open([], {
    'POST /doors/7/test': {
      inquiry: { id: '9' },
      contact: { id: '5', status: 'created' },
      routing: { agent: { id: '2', name: 'Nils Frost' }, because: 'Everyone (round robin): Nils Frost was next.' },
    },
  });
  await user.click(await screen.findByRole('button', { name: 'Send a test lead' }));
  const dialog = within(await screen.findByRole('dialog', { name: 'Send a test lead' }));
  await waitFor(() => expect(dialog.getByLabelText('Lead source')).toHaveDisplayValue('Our website'));
  expect(dialog.queryByRole('option', { name: 'By hand' })).toBeNull();
  await user.click(dialog.getByRole('button', { name: 'Send test lead' }));
  expect(await dialog.findByRole('status')).toHaveTextContent(
    'It went to Nils Frost. Everyone (round robin): Nils Frost was next.',
  );
  expect(dialog.getByRole('link', { name: 'Open the lead' })).toHaveAttribute('href', '/contacts?person=5');
});
