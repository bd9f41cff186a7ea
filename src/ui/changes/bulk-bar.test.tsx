/** What is done to many at once: who is chosen, what may be done to them, how far it is, what came of it and the way back. */
import { useEffect } from 'react';
import { screen, waitFor, within } from '@testing-library/react';
import { WORDS } from '../../../tests/harness/people-of-forms';
import { answering, going, sentTo, show } from '../../../tests/harness/render';
import { BulkBar } from './bulk-bar';
import type { Chosen } from './selection';
import { ChangeWatchProvider, useChangeWatch } from './watch';

const some: Chosen = { all: false, ids: new Set(['5', '6']) };
const bar = (props: Partial<Parameters<typeof BulkBar>[0]> = {}, answers: object = {}) => {
  const asked = answering({
    'GET /vocabulary': WORDS,
    'GET /tags': { items: [] },
    'POST /broadcasts': { id: '7' },
    ...answers,
  });
  const onChoose = jest.fn();
  return {
    asked,
    onChoose,
    ...show(<BulkBar chosen={some} total={3_957} question={{}} office onChoose={onChoose} {...props} />),
  };
};

test('nobody chosen: there is no bar', () => {
  bar({ chosen: { all: false, ids: new Set() } });
  expect(screen.queryByRole('toolbar')).toBeNull();
});

test('how many, all of them, nobody', async () => {
  const { user, onChoose } = bar();
  expect(screen.getByText('2 of 3,957 selected')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Select all 3,957' }));
  expect(onChoose).toHaveBeenLastCalledWith({ all: true, ids: new Set() });
  await user.click(screen.getByRole('button', { name: 'Clear' }));
  expect(onChoose).toHaveBeenLastCalledWith({ all: false, ids: new Set() });
});

test('all but one are counted', () => {
  bar({ chosen: { all: true, ids: new Set(['5']) } });
  expect(screen.getByText('3,956 of 3,957 selected')).toBeVisible();
});

test('# opens tags', async () => {
  const { user } = bar();
  await user.keyboard('#');
  expect(await screen.findByRole('dialog')).toHaveTextContent('Tag');
});

test('who does not run the office hands nobody over and deletes nobody', async () => {
  const { user } = bar({ office: false });
  expect(screen.queryByRole('button', { name: 'Hand to…' })).toBeNull();
  await user.click(screen.getByRole('button', { name: 'More…' }));
  expect(await screen.findByRole('menuitem', { name: 'Archive…' })).toBeVisible();
  expect(screen.queryByRole('menuitem', { name: 'Delete…' })).toBeNull();
});

test('a broadcast begins with those who are chosen', async () => {
  const paths = going();
  const { user, asked } = bar();
  await user.click(screen.getByRole('button', { name: 'More…' }));
  await user.click(await screen.findByRole('menuitem', { name: 'Broadcast…' }));
  await waitFor(() => expect(paths).toEqual(['/campaigns/broadcasts/7']));
  expect(sentTo(asked, 'POST /broadcasts')).toMatchObject({ selection: { ids: ['5', '6'] } });
});

function Watching() {
  const { watch } = useChangeWatch();
  useEffect(() => watch('4'), [watch]);
  return null;
}
const CHANGE = {
  id: '4',
  state: 'running',
  sentence: 'Add the tag “lake”',
  total: 1_200,
  done: 400,
  changed: 398,
  undone: 0,
  left_alone: {},
  undo_left_alone: {},
  can_undo: true,
  error: null,
};
const watching = (change: object) => {
  const asked = answering({
    'GET /changes/4': { ...CHANGE, ...change },
    'POST /changes/4/cancel': {},
    'POST /changes/4/undo': { id: '4' },
  });
  return {
    asked,
    ...show(
      <ChangeWatchProvider>
        <Watching />
      </ChangeWatchProvider>,
    ),
  };
};

test('a change under way says how far it is, and can be canceled', async () => {
  const { user, asked } = watching({});
  expect(await screen.findByText('In progress: add the tag “lake”')).toBeVisible();
  expect(screen.getByText('400 of 1,200')).toBeVisible();
  expect(screen.getByRole('progressbar', { name: 'Progress' })).toHaveAttribute('aria-valuenow', expect.stringMatching(/^33/));
  await user.click(screen.getByRole('button', { name: 'Cancel' }));
  await waitFor(() => expect(asked.map(({ route }) => route)).toContain('POST /changes/4/cancel'));
});

test('at its end it says what came of it, with the way back', async () => {
  const { user, asked } = watching({ state: 'done', done: 1_200, changed: 1_200 });
  const said = await screen.findByText('1,200 people: add the tag “lake”.');
  expect(said).toBeVisible();
  await user.click(within(document.body).getByRole('button', { name: /^Undo/ }));
  await waitFor(() => expect(asked.map(({ route }) => route)).toContain('POST /changes/4/undo'));
});

test.each([
  [{ state: 'undone', undone: 1 }, 'Undone for 1 person.'],
  [{ state: 'failed', error: 'The tag was deleted meanwhile.' }, 'The tag was deleted meanwhile.'],
  [{ state: 'cancelled', changed: 398, done: 400 }, '398 people: add the tag “lake”, then canceled after 400.'],
])('%j', async (change, words) => {
  watching({ ...change, can_undo: false });
  expect(await screen.findByText(words)).toBeVisible();
  expect(screen.queryByRole('button', { name: /^Undo/ })).toBeNull();
});
