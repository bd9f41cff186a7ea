/** What became of a broadcast: how far it is, what came of it, and the people behind each number. */
import { screen, waitFor, within } from '@testing-library/react';
import { answering, refusal, sentTo, show, type Answers } from '../../../tests/harness/render';
import { Outcome } from './outcome';
import type { Broadcast } from './shapes';

const COUNTS = {
  sent: 28,
  waiting: 12,
  held: 0,
  cancelled: 0,
  answered: 7,
  answered_first_hour: 3,
  opened: 0,
  clicked: 0,
  bounced: 1,
  complained: 0,
  opted_out: 1,
  delivered_letters: 0,
};
const GOING = {
  id: '7',
  name: 'Open house',
  channel: 'text',
  state: 'going',
  words: { text: 'Open house Saturday at 1.' },
  selection: { segments: ['2'] },
  goes: { on: 'now' },
  left_out: { opted_out: 9 },
  people: 40,
  counts: COUNTS,
  next_at: '2026-11-23T18:30:00Z',
  last_at: '2026-11-23T19:00:00Z',
} as unknown as Broadcast;
const PEOPLE = 'GET /broadcasts/7/people';
const ANSWERED = {
  items: [{ contact_id: '5', name: 'Odalys Brandt', words: 'We’ll come by at 2', at: '2026-11-23T18:20:00Z' }],
  next_cursor: null,
};
const open = (change: Partial<Broadcast> = {}, answers: Answers = {}) => {
  const asked = answering({
    [PEOPLE]: ANSWERED,
    'POST /messages/preview': { subject: null, text: 'Open house Saturday at 1.', findings: [], html: null },
    ...answers,
  });
  return { asked, ...show(<Outcome broadcast={{ ...GOING, ...change }} />) };
};
const results = () => within(screen.getByRole('region', { name: 'Results' }));

test('how far it is, when the last goes, and how many answered at once', async () => {
  open();
  expect(screen.getByRole('progressbar', { name: 'Progress' })).toBeVisible();
  expect(screen.getByText(/^28 of 40 sent/)).toHaveTextContent(/the last goes .*11:00 AM, the next .*10:30 AM\.$/);
  expect(screen.getByText('3 people replied within the first hour.')).toBeVisible();
  expect(results().getByText(/^Left out:/)).toHaveTextContent('9');
  expect(await screen.findByText('Odalys Brandt')).toBeVisible();
});

test('one who answered at once is one person', async () => {
  open({ counts: { ...COUNTS, answered_first_hour: 1 } });
  expect(screen.getByText('One person replied within the first hour.')).toBeVisible();
  await screen.findByText('Odalys Brandt');
});

test('those who answered come first, with what they wrote and a way to them', async () => {
  open();
  const people = within(await screen.findByRole('region', { name: 'People' }));
  expect(people.getByText('We’ll come by at 2')).toBeVisible();
  expect(people.getByRole('link', { name: 'Odalys Brandt' })).toHaveAttribute('href', '/contacts/5');
});

test('another number opens its own people, or says that there is no one', async () => {
  const { user } = open({}, { [PEOPLE]: { items: [], next_cursor: null } });
  await user.click(results().getByText('Bounced'));
  expect(await screen.findByText('No one.')).toBeVisible();
});

test('more people than are shown are told of', async () => {
  open({}, { [PEOPLE]: { ...ANSWERED, next_cursor: 'x' } });
  expect(await screen.findByText('and more')).toBeVisible();
});

test('what waits is paused when the broadcast is', () => {
  open({ state: 'paused' });
  expect(results().getByText('Paused')).toBeVisible();
  expect(results().queryByText('Scheduled')).toBeNull();
});

test('a text has no opens; an email has them, and says what they are worth', () => {
  const { unmount } = open();
  expect(results().queryByText('Opened')).toBeNull();
  unmount();
  open({ channel: 'email', words: { subject: 'Saturday', text: 'Come by' } } as Partial<Broadcast>);
  expect(results().getByText('Opened')).toBeVisible();
  expect(results().getByText('Marked as spam')).toBeVisible();
  expect(results().getByText(/^Opens are estimates/)).toBeVisible();
});

describe('letters', () => {
  const LETTER = { channel: 'letter', state: 'done', counts: { ...COUNTS, waiting: 0, sent: 40, delivered_letters: 22 } };
  const letters = (answers: Answers = {}) => open(LETTER as unknown as Partial<Broadcast>, answers);
  let saved: string[] = [];
  beforeEach(() => {
    saved = [];
    URL.createObjectURL = () => 'blob:letters';
    URL.revokeObjectURL = () => {};
    jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
      saved.push(this.download);
    });
  });
  afterEach(() => jest.restoreAllMocks());

  test('how many came is told', () => {
    letters();
    expect(results().getByText('Delivered by mail').parentElement).toHaveTextContent('22');
  });

  test.each([
    ['Download letters (PDF)', 'letters', /ready in one file, sorted by ZIP code/],
    ['Labels', 'labels', /sheets of 30/],
  ])('%s', async (button, what, told) => {
    const { user, asked } = letters({ 'POST /broadcasts/7/print': {} });
    const api = globalThis.fetch;
    globalThis.fetch = ((address: string, init?: RequestInit) =>
      address.includes('/print?')
        ? Promise.resolve({ status: 200, blob: () => Promise.resolve(new Blob()) } as Response)
        : api(address, init)) as typeof fetch;
    await user.click(screen.getByRole('button', { name: button }));
    expect(await screen.findByText(told)).toBeVisible();
    expect(sentTo(asked, 'POST /broadcasts/7/print')).toEqual({ what });
    expect(saved).toEqual([`${what} Open house.pdf`]);
  });

  test('a file that cannot be made says why', async () => {
    const { user } = letters({ 'POST /broadcasts/7/print': refusal(409, { code: 'x', detail: 'No letter has gone out yet.' }) });
    await user.click(screen.getByRole('button', { name: 'Labels' }));
    expect(await screen.findByText('No letter has gone out yet.')).toBeVisible();
    await waitFor(() => expect(screen.getByRole('button', { name: 'Labels' })).toBeEnabled());
    expect(saved).toEqual([]);
  });
});
