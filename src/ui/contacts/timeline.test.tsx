/** The timeline: what is shown of it is chosen and remembered, emails are folded to whole sentences, a note is pinned. */
import { screen, waitFor, within } from '@testing-library/react';
import { answering, refusal, sentTo, show } from '../../../tests/harness/render';
import { Timeline } from './timeline';
import type { TimelineLine } from './types';

const LONG =
  'We drove by on Sunday and the porch is lovely. The kids liked the yard, too. Could we see it from inside before the weekend is over, and would you bring the papers about the roof and the well with you when we meet there?';
const line = (id: string, more: object): TimelineLine =>
  ({
    id,
    at: '2026-11-23T17:12:00Z',
    by: 'Asta Lund',
    channel: null,
    direction: null,
    data: {},
    because: null,
    ...more,
  }) as unknown as TimelineLine;
const NOTE = line('1', { kind: 'note', text: 'Wants a slip for the boat' });
const MAIL = line('2', {
  kind: 'message',
  channel: 'email',
  direction: 'in',
  text: LONG,
  data: { from: 'oda@kelp.example', subject: 'The house on Juniper Ln' },
  at: '2026-11-20T17:12:00Z',
});
const start = (items: TimelineLine[], answers: object = {}, readOnly = false) => {
  const asked = answering({
    'GET /preferences': {},
    'PUT /preferences': {},
    'GET /contacts/5/timeline': { items, next_cursor: null },
    'PUT /contacts/5/pinned-note': {},
    ...answers,
  });
  return { asked, ...show(<Timeline contactId="5" pinnedId={null} readOnly={readOnly} />) };
};
const lines = () => within(screen.getByRole('region', { name: 'Timeline' })).findAllByRole('listitem');

test('today’s lines have their hour, earlier ones their day, in full as a title', async () => {
  start([NOTE, MAIL]);
  const [note, mail] = await lines();
  expect(within(note!).getByText('9:12 AM')).toHaveAttribute('title', 'Mon, Nov 23, 9:12 AM');
  expect(within(mail!).getByText('Nov 20')).toBeVisible();
  expect(within(mail!).getByTitle('from them')).toBeVisible();
});

test('a long email is folded to whole sentences, and opens', async () => {
  const { user } = start([MAIL]);
  const [mail] = await lines();
  expect(mail).toHaveTextContent(/The kids liked the yard, too\. … ?Show all/);
  expect(mail).not.toHaveTextContent('before the weekend');
  await user.click(within(mail!).getByRole('button', { name: 'Show all', expanded: false }));
  expect(mail).toHaveTextContent('when we meet there?');
  await user.click(within(mail!).getByRole('button', { name: 'Show less', expanded: true }));
  expect(mail).not.toHaveTextContent('when we meet there?');
});

test('one group is shown, which is remembered; nothing of it is said', async () => {
  const { user, asked } = start([]);
  expect(await screen.findByText('Nothing happened yet.')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Calls' }));
  expect(await screen.findByText('No calls yet.')).toBeVisible();
  expect(screen.getByRole('button', { name: 'Calls' })).toHaveAttribute('aria-pressed', 'true');
  await waitFor(() => expect(sentTo(asked, 'PUT /preferences')).toEqual({ view: { timeline_group: 'calls' } }));
});

test('a note is pinned by its pin; what is no note has none', async () => {
  const { user, asked } = start([NOTE, MAIL]);
  const [note, mail] = await lines();
  expect(within(mail!).queryByRole('button', { name: /Pin/ })).toBeNull();
  await user.click(within(note!).getByRole('button', { name: 'Pin this note' }));
  await waitFor(() => expect(sentTo(asked, 'PUT /contacts/5/pinned-note')).toEqual({ note_id: '1' }));
});

test('who may only look has no pin', async () => {
  start([NOTE], {}, true);
  await lines();
  expect(screen.queryByRole('button', { name: 'Pin this note' })).toBeNull();
});

test('what could not be read is said, earlier lines are asked for', async () => {
  const { unmount } = start([], { 'GET /contacts/5/timeline': refusal(503, { code: 'busy', detail: 'Try again in a moment.' }) });
  expect(await screen.findByText('Try again in a moment.')).toBeVisible();
  unmount();
  const { user } = start([NOTE], { 'GET /contacts/5/timeline': { items: [NOTE], next_cursor: 'next' } });
  await user.click(await screen.findByRole('button', { name: 'Earlier' }));
  expect(await screen.findByText(/Wants a slip/)).toBeVisible();
});
