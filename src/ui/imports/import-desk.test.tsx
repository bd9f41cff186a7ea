/** One import: what was found in the file, what is chosen for all of it, how far it is, what came of it, and taking it back only after a question. */
import { screen, waitFor, within } from '@testing-library/react';
import { FIRST_OPTIONS } from '@/core/imports';
import { WORDS } from '../../../tests/harness/people-of-forms';
import { answering, refusal, sentTo, show } from '../../../tests/harness/render';
import { ImportDesk } from './import-desk';

const LOOK = {
  rows: 13,
  accepted: 8,
  doubtful: [{ row: 2, reason: 'unclear-permission', why: '“maybe” under “OK to call?” is neither yes nor no' }],
  doubtful_count: 5,
  known: 1,
  twice: 0,
  partners: 2,
  permissions: 13,
  people: [
    { row: 1, first: 'Orla', last: 'Borowska', phones: ['+15645550102'], emails: ['orla@tarnmail.example'], roles: ['buyer'] },
    { row: 2, first: 'Sunniva', last: 'Greengage', tags: ['plumber'] },
  ],
  ignored: { above: 0, blank: 0, below: 0 },
};
const IMPORT = {
  id: '4',
  file_name: 'people.csv',
  bytes: 2_000,
  state: 'ready',
  format: { kind: 'csv', delimiter: ';', encoding: 'utf-8', headingRow: 1 },
  columns: [],
  options: FIRST_OPTIONS,
  look: LOOK,
  sentence: null,
  total: 13,
  read: 0,
  made: 0,
  changed: 0,
  same: 0,
  left_out: 0,
  doubtful: 0,
  undone: 0,
  undo_left_alone: 0,
  error: null,
  by: 'Ines Kolar',
  made_at: '2026-11-23T18:00:00Z',
  ended_at: null,
};
const start = (change: object = {}, answers: object = {}) => {
  const data = { ...IMPORT, ...change };
  const asked = answering({
    'GET /vocabulary': WORDS,
    'GET /imports/4': data,
    'PATCH /imports/4': data,
    'POST /imports/4/start': { ...data, state: 'running', read: 4 },
    'POST /imports/4/cancel': { ...data, state: 'cancelled' },
    'POST /imports/4/undo': { ...data, state: 'undoing' },
    ...answers,
  });
  const onClose = jest.fn();
  return { asked, onClose, ...show(<ImportDesk id="4" users={[{ id: '2', name: 'Asta Lund' }]} office onClose={onClose} />) };
};
const routes = (asked: { route: string }[]) => asked.map(({ route }) => route);

test('says what the file is and what was found in it', async () => {
  start();
  expect(screen.getByRole('status', { name: 'Loading import' })).toBeVisible();
  expect(await screen.findByRole('heading', { name: /^people\.csv/ })).toHaveTextContent(
    'CSV with semicolons, UTF-8, headings in row 1',
  );
  const found = screen.getByText(/^13 people\. 8 ready, 5 with problems\./);
  expect(found).toHaveTextContent(
    '1 is already a contact. 2 partners become contacts of their own. Permissions of 13 are imported',
  );
});

test('the first people stand as they will be, a row with a problem says why', async () => {
  start();
  const table = await screen.findByRole('table', { name: 'Preview of the file' });
  expect(within(table).getByText('Orla Borowska').closest('tr')).toHaveTextContent('(564) 555-0102');
  expect(within(table).getByText('Sunniva Greengage').closest('tr')).toHaveTextContent('neither yes nor no');
});

test('what is chosen for all of it is sent at once', async () => {
  const { user, asked } = start();
  await user.selectOptions(await screen.findByLabelText(/^Existing contacts/), 'overwrite with the file');
  await waitFor(() => expect(sentTo(asked, 'PATCH /imports/4')).toEqual({ options: { on_match: 'update' } }));
  await user.selectOptions(screen.getByLabelText(/^Agent/), 'Asta Lund');
  await waitFor(() => expect(sentTo(asked, 'PATCH /imports/4')).toEqual({ options: { owner_id: '2' } }));
});

test('it is started, says how far it is, and is canceled', async () => {
  const running = { ...IMPORT, state: 'running', read: 4 };
  const { user, asked } = start();
  await screen.findByRole('button', { name: 'Import 13 contacts' });
  answering({ 'GET /imports/4': running, 'POST /imports/4/start': running, 'GET /vocabulary': WORDS });
  await user.click(screen.getByRole('button', { name: 'Import 13 contacts' }));
  expect(await screen.findByText('4 of 13')).toBeVisible();
  expect(screen.getByText('You can leave this page; the import continues.')).toBeVisible();
  void asked;
});

test('a file that cannot be read says why', async () => {
  start({ state: 'refused', look: null, sentence: 'This file is a picture. Save it as CSV.' });
  expect(await screen.findByRole('alert')).toHaveTextContent('This file is a picture. Save it as CSV.');
});

test('at its end it says what came of it; taking it back asks first', async () => {
  const { user, asked } = start({ state: 'done', made: 9, changed: 2, same: 1, left_out: 1, read: 13 });
  expect(await screen.findByText(/updated/)).toHaveTextContent('9 new, 2 updated, 1 unchanged, 1 skipped.');
  expect(screen.getByRole('link', { name: 'Download skipped rows' })).toHaveAttribute('href', '/api/v1/imports/4/skipped');
  await user.click(screen.getByRole('button', { name: 'Undo import' }));
  const question = await screen.findByRole('dialog', { name: 'Undo the import of people.csv?' });
  expect(question).toHaveTextContent('9 new contacts are deleted, and 2 contacts go back');
  expect(routes(asked)).not.toContain('POST /imports/4/undo');
  await user.click(within(question).getByRole('button', { name: 'Undo import' }));
  await waitFor(() => expect(routes(asked)).toContain('POST /imports/4/undo'));
});

test('taken back, it says who stays', async () => {
  start({ state: 'undone', undone: 9, undo_left_alone: 2 });
  expect(await screen.findByText(/^Undone: 9 rows\./)).toHaveTextContent(
    '2 contacts stay, because someone has worked with them since.',
  );
});

test('a choice that is refused says why; another file may be chosen', async () => {
  const { user, onClose } = start(
    {},
    { 'PATCH /imports/4': refusal(409, { code: 'conflict', detail: 'The import has started.' }) },
  );
  await user.selectOptions(await screen.findByLabelText(/^Rows with problems/), 'skip them so you can fix them');
  expect(await screen.findByText('The import has started.')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Choose another file' }));
  expect(onClose).toHaveBeenCalled();
});
