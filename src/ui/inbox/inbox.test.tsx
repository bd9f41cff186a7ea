/** The inbox: who wrote and what is next, read by a key with its Undo, a refusal judged by a person. */
import { screen, waitFor } from '@testing-library/react';
import { answering, refusal, sentTo, show } from '../../../tests/harness/render';
import { InboxArea } from './inbox';

jest.mock('../contacts', () => ({
  Dossier: ({ contactId, reasons }: { contactId: string; reasons?: { text: string }[] }) => (
    <article aria-label={`Dossier of ${contactId}`}>{reasons?.map(({ text }) => text)}</article>
  ),
}));

const row = (contact_id: string, name: string, more: object = {}) => ({
  contact_id,
  name,
  owner_name: 'Asta Lund',
  horizon: 'hot',
  unread: true,
  unread_n: 1,
  at: '2026-11-23T18:04:00Z',
  channel: 'text',
  text: 'Is it still for sale?',
  subject: null,
  opt_out: false,
  answered: false,
  stopped: null,
  next: { do: 'answer', because: 'they asked a question' },
  ...more,
});
const ROWS = [
  row('5', 'Odalys Brandt'),
  row('6', 'Piet Nakagami', {
    unread_n: 3,
    next: { do: 'judge', because: 'it may be a no' },
    text: 'not now thanks',
    stopped: 'New buyer',
  }),
];
const start = (items = ROWS, answers: object = {}) => {
  const asked = answering({
    'GET /preferences': {},
    'PUT /preferences': {},
    'GET /answers': { items, next_cursor: null },
    'PUT /contacts/5/read': {},
    'PUT /contacts/6/refusal': {},
    ...answers,
  });
  return { asked, ...show(<InboxArea />) };
};

test('the first is open with what they wrote; what to do next stands at each', async () => {
  start();
  expect(await screen.findByRole('article', { name: 'Dossier of 5' })).toHaveTextContent('Is it still for sale?');
  expect(screen.getByRole('button', { name: /^Odalys Brandt/ })).toHaveTextContent('Reply they asked a question');
  const piet = screen.getByRole('button', { name: /^Piet Nakagami/ });
  expect(piet).toHaveTextContent('3 new');
  expect(piet).toHaveTextContent('“New buyer” stopped.');
});

test('j goes on; r marks as read, and z takes it back', async () => {
  const { user, asked } = start();
  await screen.findByRole('article', { name: 'Dossier of 5' });
  await user.keyboard('j');
  expect(screen.getByRole('article', { name: 'Dossier of 6' })).toBeVisible();
  await user.keyboard('k');
  await user.keyboard('r');
  await waitFor(() => expect(sentTo(asked, 'PUT /contacts/5/read')).toEqual({ read: true }));
  expect(await screen.findByText('Marked as read.')).toBeVisible();
  await user.click(screen.getByRole('button', { name: /^Undo/ }));
  await waitFor(() => expect(sentTo(asked, 'PUT /contacts/5/read')).toEqual({ read: false }));
});

test('whether it was a no is judged by a person', async () => {
  const { user, asked } = start();
  expect(await screen.findByRole('group', { name: 'Did Piet Nakagami opt out?' })).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Stop messages' }));
  await waitFor(() => expect(sentTo(asked, 'PUT /contacts/6/refusal')).toEqual({ ends: true }));
  expect(await screen.findByText('Opted out. They won’t get any more messages.')).toBeVisible();
});

test('a judgment that was refused says why', async () => {
  const { user } = start(ROWS, {
    'PUT /contacts/6/refusal': refusal(409, { code: 'conflict', detail: 'Someone decided already.' }),
  });
  await user.click(await screen.findByRole('button', { name: 'Stay in touch' }));
  expect(await screen.findByText('Someone decided already.')).toBeVisible();
});

test('all of them instead of the unread, remembered; nothing there says so', async () => {
  const { user, asked } = start([]);
  expect(await screen.findByText('You’re all caught up.')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'All' }));
  expect(await screen.findByText('No messages yet. Replies by text and email show up here.')).toBeVisible();
  await waitFor(() => expect(sentTo(asked, 'PUT /preferences')).toEqual({ view: { inbox_unread: false } }));
});

test('what was answered already asks for nothing', async () => {
  start([row('5', 'Odalys Brandt', { answered: true, unread: false })]);
  expect(await screen.findByText('Already answered')).toBeVisible();
  expect(screen.getByRole('button', { name: 'Mark Odalys Brandt as unread' })).toBeVisible();
});
