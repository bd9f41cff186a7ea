/** Duplicates by keyboard: what differs is chosen side by side, one key for each answer, a merge taken back. */
import { act, screen, waitFor, within } from '@testing-library/react';
import { ODALYS } from '../../../tests/harness/people-of-forms';
import { answering, refusal, sentTo, show } from '../../../tests/harness/render';
import { DuplicatesArea } from './duplicates-area';

const ONE = { ...ODALYS, created_at: '2026-03-02T18:00:00Z', calls: { attempts: 4, reached: 1 } };
const OTHER = {
  ...ONE,
  id: '8',
  first_name: 'Odi',
  emails: ['odi@kelp.example'],
  horizon: 'warm',
  created_at: '2026-10-05T18:00:00Z',
};
const PAIR = { one: ONE, other: OTHER, reasons: [], because: 'Same phone number (360) 555-0142, and the last name agrees.' };
const DONE = { state: 'done', pairs: 2, error: null, ended_at: '2026-11-23T18:00:00Z' };
const start = (answers: object = {}) => {
  const asked = answering({
    'GET /vocabulary': { names: {}, fields: [] },
    'GET /duplicates/scan': DONE,
    'GET /duplicates': { items: [PAIR, { ...PAIR, other: { ...OTHER, id: '9', first_name: 'Odile' } }] },
    'POST /contacts/5/merge': { merge_id: '3' },
    'POST /contacts/8/merge': { merge_id: '4' },
    'POST /merges/3/undo': {},
    'POST /duplicates/different': {},
    'PUT /contacts/5/household': {},
    ...answers,
  });
  return { asked, ...show(<DuplicatesArea />) };
};
const opened = () => screen.findByRole('table');
const routes = (asked: { route: string }[]) => asked.map(({ route }) => route);

test('the likeliest pair stands side by side with its reason, and who comes next', async () => {
  start();
  const table = await opened();
  expect(screen.getByRole('heading', { level: 1 })).toHaveTextContent('2 possible duplicates');
  expect(screen.getByText(PAIR.because, { selector: 'div' })).toBeVisible();
  expect(within(table).getByRole('columnheader', { name: /^Keep: Odalys Brandt since Mar 2, 2026/ })).toBeVisible();
  expect(within(table).getByRole('columnheader', { name: /^Merge in: Odi Brandt since Oct 5, 2026/ })).toBeVisible();
  expect(within(table).getByRole('row', { name: /^Calls/ })).toHaveTextContent('4 attempted, 1 reached');
  expect(screen.getByText('Odalys Brandt and Odile Brandt')).toBeVisible();
});

test('Enter merges with what was chosen, and Undo takes it apart', async () => {
  const { user, asked } = start();
  const name = within(await opened()).getByRole('row', { name: /^Name/ });
  expect(within(name).getByRole('radio', { name: 'Odalys Brandt' })).toBeChecked();
  await user.click(within(name).getByRole('radio', { name: 'Odi Brandt' }));
  await user.keyboard('{Escape}');
  act(() => (document.activeElement as HTMLElement).blur());
  await user.keyboard('{Enter}');
  await waitFor(() => expect(sentTo(asked, 'POST /contacts/5/merge')).toEqual({ other_id: '8', choices: { name: 'gone' } }));
  await user.click(await screen.findByRole('button', { name: /^Undo/ }));
  await waitFor(() => expect(routes(asked)).toContain('POST /merges/3/undo'));
});

test('Swap keeps the other', async () => {
  const { user, asked } = start();
  await opened();
  await user.click(screen.getByRole('button', { name: 'Swap' }));
  await user.click(screen.getByRole('button', { name: /^Merge/ }));
  await waitFor(() => expect(sentTo(asked, 'POST /contacts/8/merge')).toEqual({ other_id: '5', choices: {} }));
});

test('x says that they are two, h that they live together', async () => {
  const { user, asked } = start();
  await opened();
  await user.keyboard('x');
  await waitFor(() => expect(sentTo(asked, 'POST /duplicates/different')).toEqual({ one_id: '5', other_id: '8' }));
  await waitFor(() => expect(screen.getByRole('button', { name: /^Same household/ })).toBeEnabled());
  await user.keyboard('h');
  await waitFor(() => expect(sentTo(asked, 'PUT /contacts/5/household')).toEqual({ other_id: '8' }));
});

test('a merge that is refused says why', async () => {
  const { user } = start({
    'POST /contacts/5/merge': refusal(409, { code: 'conflict', detail: 'Odi Brandt was merged already.' }),
  });
  await opened();
  await user.click(screen.getByRole('button', { name: /^Merge/ }));
  expect(await screen.findByText('Odi Brandt was merged already.')).toBeVisible();
});

test.each([
  [
    { state: 'never', pairs: 0, error: null, ended_at: null },
    'Not searched yet. It takes a few seconds, even with many contacts.',
  ],
  [{ state: 'running', pairs: 0, error: null, ended_at: null }, 'Searching all contacts…'],
  [
    { state: 'failed', pairs: 0, error: 'The search stopped. Start it again.', ended_at: null },
    'The search stopped. Start it again.',
  ],
])('%j', async (scan, words) => {
  start({ 'GET /duplicates/scan': scan });
  expect(await screen.findByText(words)).toBeVisible();
});

test('none found is good news', async () => {
  start({ 'GET /duplicates': { items: [] } });
  expect(await screen.findByText('No duplicates found.')).toBeVisible();
});

test('a pair is skipped for now, and comes again behind the others', async () => {
  const { user, asked } = start();
  const answered = asked.length;
  await user.click(within((await opened()).closest('section')!).getByRole('button', { name: /^Skip/ }));
  expect(await screen.findByRole('columnheader', { name: /^Merge in: Odile Brandt/ })).toBeVisible();
  expect(screen.getByText('Odalys Brandt and Odi Brandt')).toBeVisible();
  await user.keyboard('s');
  expect(await screen.findByRole('columnheader', { name: /^Merge in: Odi Brandt/ })).toBeVisible();
  expect(routes(asked.slice(answered)).filter((route) => route.startsWith('POST'))).toEqual([]);
});
