/** What was changed together and what went out: each with its state in words, and its way back. */
import { screen, waitFor, within } from '@testing-library/react';
import { answering, sentTo, show } from '../../../tests/harness/render';
import { ChangeWatchProvider } from './watch';
import { ExportsDialog } from './exports-dialog';
import { HistoryDialog } from './history';

const change = (id: string, state: string, sentence: string, more: object = {}) => ({
  id,
  state,
  sentence,
  made_at: '2026-11-22T18:00:00Z',
  by: 'Asta Lund',
  done: 0,
  total: 40,
  changed: 31,
  refused: {},
  left_alone: {},
  undone: 31,
  undo_left_alone: {},
  can_undo: false,
  error: null,
  ...more,
});

describe('changes of many', () => {
  const open = (items: object[], answers: object = {}) => {
    const asked = answering({ 'GET /changes': { items }, ...answers });
    return {
      asked,
      ...show(
        <ChangeWatchProvider>
          <HistoryDialog onClose={jest.fn()} />
        </ChangeWatchProvider>,
      ),
    };
  };

  test('one that is done is undone from here', async () => {
    const { user, asked } = open([change('7', 'done', 'Tag 40 people “coast”', { can_undo: true })], {
      'POST /changes/7/undo': change('7', 'undoing', 'Tag 40 people “coast”'),
      'GET /changes/7': change('7', 'undone', 'Tag 40 people “coast”'),
    });
    expect(await screen.findByText('Tag 40 people “coast”')).toBeVisible();
    expect(screen.getByText(/Nov 22.*, Asta Lund\./)).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'Undo: Tag 40 people “coast”' }));
    await waitFor(() => expect(asked.map(({ route }) => route)).toContain('POST /changes/7/undo'));
  });

  test('one that runs says how far it is, and can be canceled', async () => {
    const { user, asked } = open([change('8', 'running', 'Archive 40 people', { done: 12 })], {
      'POST /changes/8/cancel': change('8', 'cancelled', 'Archive 40 people'),
      'GET /changes/8': change('8', 'cancelled', 'Archive 40 people'),
    });
    expect(await screen.findByText(/12 of 40/)).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'Cancel' }));
    await waitFor(() => expect(asked.map(({ route }) => route)).toContain('POST /changes/8/cancel'));
  });

  test('none yet is said', async () => {
    open([]);
    expect(await screen.findByText('No bulk changes yet.')).toBeVisible();
  });
});

describe('files that go out', () => {
  const FILE = {
    id: '3',
    format: 'csv',
    state: 'done',
    done: 4_012,
    total: 4_012,
    error: null,
    email: false,
    mailed_at: null,
    mail_error: null,
    by: 'Ines Kolar',
    made_at: '2026-11-22T18:00:00Z',
  };
  const open = (files: object[], schedules: object[] = [], answers: object = {}) => {
    const asked = answering({ 'GET /exports': { items: files }, 'GET /export-schedules': { items: schedules }, ...answers });
    return { asked, ...show(<ExportsDialog onClose={jest.fn()} />) };
  };

  test('each says how it went; one that is written is there to download', async () => {
    open([
      FILE,
      { ...FILE, id: '4', state: 'running', done: 40 },
      { ...FILE, id: '5', state: 'failed', error: 'The disk is full.' },
      { ...FILE, id: '6', format: 'labels', done: 1, mailed_at: '2026-11-22T18:01:00Z' },
      { ...FILE, id: '7', email: true, mail_error: 'no such mailbox' },
    ]);
    const files = within(screen.getByRole('region', { name: 'Last 7 days' }));
    expect(await files.findByText('4,012 people')).toBeVisible();
    expect(files.getByText('40 of 4,012')).toBeVisible();
    expect(files.getByText('The disk is full.')).toBeVisible();
    expect(files.getByText('1 person, sent to Ines Kolar')).toBeVisible();
    expect(files.getByText('4,012 people, not sent: no such mailbox')).toBeVisible();
    expect(files.getAllByRole('link', { name: 'Download' })).toHaveLength(3);
  });

  test('what comes back by itself says when, and is stopped', async () => {
    const schedule = {
      id: '9',
      name: 'Letters',
      format: 'csv',
      every: 'week',
      day: 1,
      at: '07:30',
      email: true,
      by: 'Ines Kolar',
      next_at: '2026-11-30T15:30:00Z',
      last: { state: 'done', done: 1, error: null, mail_error: null },
      error: null,
    };
    const { user, asked } = open([], [schedule], { 'DELETE /export-schedules/9': {} });
    const scheduled = within(screen.getByRole('region', { name: 'Scheduled' }));
    expect(await scheduled.findByText('CSV, every Monday at 7:30 AM, by email to Ines Kolar')).toBeVisible();
    expect(scheduled.getByText(/Last run 1 person\./)).toBeVisible();
    await user.click(scheduled.getByRole('button', { name: 'Stop Letters' }));
    await waitFor(() => expect(asked.map(({ route }) => route)).toContain('DELETE /export-schedules/9'));
    expect(sentTo(asked, 'DELETE /export-schedules/9')).toBeUndefined();
    expect(await screen.findByText(/^“Letters” is no longer scheduled\./)).toBeVisible();
  });
});
