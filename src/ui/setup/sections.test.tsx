/** Setup's other pages: stages and horizons in the office's own words, holidays, the audit, messages that wait. */
import { useState } from 'react';
import { screen, waitFor, within } from '@testing-library/react';
import { answering, going, refusal, sentTo, show } from '../../../tests/harness/render';
import { ChangeWatchProvider } from '../changes';
import { DEFAULT_SETTINGS, settingsView } from '@/core/accounts';
import { Audit } from './audit';
import { Formats } from './formats';
import { HolidaysField } from './holidays-field';
import { StageAndHorizon } from './stage-and-horizon';
import { Stuck } from './stuck';

const STAGES = [
  { key: 'new', name: 'New', meaning: 'Just came in', people: 12, removable: false, counts_as: 'new' },
  { key: 'talking', name: 'Talking', meaning: 'We talk', people: 1, removable: false, counts_as: 'talking' },
  { key: 'touring', name: 'Touring', meaning: 'Seeing homes', people: 3, removable: true, counts_as: 'talking' },
  { key: 'archived', name: 'Archived', meaning: '', people: 5, removable: false, counts_as: 'archived' },
];
const HORIZONS = [
  { key: 'hot', name: 'Hot', meaning: 'Within 3 months', people: 4, removable: true, rhythm_days: 7, strokes: 4 },
  { key: 'warm', name: 'Warm', meaning: 'This year', people: 9, removable: true, rhythm_days: 21, strokes: 3 },
];
const CHANGE = { id: '77', state: 'running', done: 0, total: 3, sentence: '', refused: {} };
const words = (kind: 'stages' | 'horizons') =>
  show(
    <ChangeWatchProvider>
      <StageAndHorizon kind={kind} />
    </ChangeWatchProvider>,
  );

describe('stages', () => {
  test('one is renamed by Enter; Save stands only beside what changed', async () => {
    const asked = answering({ 'GET /stages': { items: STAGES }, 'PATCH /stages': {} });
    const { user } = words('stages');
    const name = await screen.findByLabelText('Name of Touring');
    expect(screen.queryByRole('button', { name: 'Save' })).toBeNull();
    await user.clear(name);
    expect(screen.getByRole('button', { name: 'Save' })).toBeDisabled();
    await user.type(name, 'Showing{Enter}');
    await waitFor(() =>
      expect(sentTo(asked, 'PATCH /stages')).toEqual({ key: 'touring', name: 'Showing', meaning: 'Seeing homes' }),
    );
    expect(await screen.findByText('“Showing” saved.')).toBeVisible();
  });

  test('one that is built in stays; one of one’s own goes with where its people go', async () => {
    const asked = answering({
      'GET /stages': { items: STAGES },
      'DELETE /stages': { id: '77' },
      'GET /changes/77': CHANGE,
    });
    const { user } = words('stages');
    await user.click(await screen.findByRole('button', { name: 'Remove Touring…' }));
    expect(screen.queryByRole('button', { name: 'Remove New…' })).toBeNull();
    const dialog = within(await screen.findByRole('dialog', { name: 'Remove “Touring”' }));
    expect(dialog.getByRole('button', { name: 'Move 3 people' })).toBeDisabled();
    expect(dialog.queryByRole('option', { name: 'move to “New”' })).toBeNull();
    await user.selectOptions(dialog.getByLabelText('Its 3 people'), 'move to “Talking”');
    await user.click(dialog.getByRole('button', { name: 'Move 3 people to “Talking”' }));
    await waitFor(() => expect(asked.map(({ route }) => route)).toContain('DELETE /stages'));
  });

  test('a new one counts as a step that is known', async () => {
    const asked = answering({ 'GET /stages': { items: STAGES }, 'POST /stages': {} });
    const { user } = words('stages');
    await user.type(await screen.findByLabelText('New name: stage'), 'Under contract');
    await user.type(screen.getByLabelText('Meaning: new stage'), 'Papers are signed');
    await user.selectOptions(screen.getByLabelText('Which step the new stage counts as'), 'Client');
    await user.click(screen.getByRole('button', { name: 'Add' }));
    await waitFor(() =>
      expect(sentTo(asked, 'POST /stages')).toEqual({
        name: 'Under contract',
        meaning: 'Papers are signed',
        counts_as: 'client',
      }),
    );
    await waitFor(() => expect(screen.getByLabelText('New name: stage')).toHaveValue(''));
  });

  test('what is refused is said, and what was typed stays', async () => {
    answering({
      'GET /stages': { items: STAGES },
      'POST /stages': refusal(409, { code: 'conflict', detail: 'There’s already a stage called “Talking”.' }),
    });
    const { user } = words('stages');
    await user.type(await screen.findByLabelText('New name: stage'), 'Talking{Enter}');
    expect(await screen.findByText('There’s already a stage called “Talking”.')).toBeVisible();
    expect(screen.getByLabelText('New name: stage')).toHaveValue('Talking');
  });
});

describe('horizons', () => {
  test('the rhythm and the bars change with the name', async () => {
    const asked = answering({ 'GET /horizons': { items: HORIZONS }, 'PATCH /horizons': {} });
    const { user } = words('horizons');
    const rhythm = await screen.findByLabelText('Check-in rhythm for Warm in days');
    await user.clear(rhythm);
    await user.type(rhythm, '14');
    await user.selectOptions(screen.getByLabelText('Bars for Warm'), '2 bars');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() =>
      expect(sentTo(asked, 'PATCH /horizons')).toEqual({
        key: 'warm',
        name: 'Warm',
        meaning: 'This year',
        rhythm_days: 14,
        strokes: 2,
      }),
    );
  });

  test('one may go without another in its place', async () => {
    answering({ 'GET /horizons': { items: HORIZONS } });
    const { user } = words('horizons');
    await user.click(await screen.findByRole('button', { name: 'Remove Hot…' }));
    const dialog = within(await screen.findByRole('dialog', { name: 'Remove “Hot”' }));
    expect(dialog.getByRole('button', { name: 'Remove from 4 people' })).toBeEnabled();
  });
});

describe('holidays', () => {
  const days = (first: string[]) => {
    function Days() {
      const [now, set] = useState(first);
      return (
        <>
          <label htmlFor="holidays">Holidays by name</label>
          <HolidaysField id="holidays" days={now} onChange={set} />
          <output>{now.join(' ')}</output>
        </>
      );
    }
    return show(<Days />);
  };

  test('by name, by a date without its year, by one day; each once', async () => {
    const { user } = days(['12-25']);
    await user.selectOptions(screen.getByLabelText('Holidays by name'), 'Thanksgiving');
    const other = () => screen.getByLabelText('Another day without automatic messages');
    await user.type(other(), 'July 5{Tab}');
    await user.type(other(), '1/3/2028{Tab}');
    await user.type(other(), 'Dec 25{Tab}');
    await waitFor(() => expect(document.querySelector('output')).toHaveTextContent(/^12-25 \S+ 07-05 2028-01-03$/));
    expect(screen.getByText('Jul 5, every year')).toBeVisible();
    expect(screen.getByText('Jan 3, 2028')).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'Remove Jul 5, every year' }));
    expect(document.querySelector('output')).not.toHaveTextContent('07-05');
  });

  test('without any it says so', () => {
    days([]);
    expect(screen.getByText('None.')).toBeVisible();
  });
});

test('the audit says who did what, and goes back further on request', async () => {
  const asked = answering({
    'GET /audit': {
      items: [
        { id: '2', at: '2026-11-23T17:00:00Z', by: 'Ines Kolar', does: 'changed a setting', about: 'Quiet hours' },
        { id: '1', at: '2026-11-22T17:00:00Z', by: null, does: 'deleted old exports', about: null },
      ],
      next_cursor: '1',
    },
  });
  const { user } = show(<Audit />);
  expect((await screen.findByText(/changed a setting/)).closest('div')).toHaveTextContent(
    'Ines Kolar changed a setting: Quiet hours',
  );
  expect(screen.getByText('Urraca')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Earlier' }));
  await waitFor(() => expect(asked).toHaveLength(2));
});

test('a message that waits says why; all are tried again by one click', async () => {
  const asked = answering({
    'GET /outbox/stuck': {
      items: [
        {
          id: '1',
          name: 'Odalys Brandt',
          channel: 'text',
          state: 'waiting',
          attempts: 1,
          error: 'The phone company did not answer.',
        },
        { id: '2', name: 'Jago Brandt', channel: 'email', state: 'parked', attempts: 12, error: 'The mailbox is full.' },
      ],
    },
    'POST /outbox/retry': { retried: 2 },
  });
  const { user } = show(<Stuck />);
  expect(await screen.findByText('The phone company did not answer.')).toBeVisible();
  expect(screen.getByText('1 attempt')).toBeVisible();
  expect(screen.getByText('stopped')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Retry all now' }));
  await waitFor(() => expect(asked.map(({ route }) => route)).toContain('POST /outbox/retry'));
  expect(await screen.findByText('2 queued to retry.')).toBeVisible();
});

describe('the formats of the account', () => {
  const settings = settingsView(DEFAULT_SETTINGS);

  test('region, clock and first day of the week are saved as they are chosen', async () => {
    const asked = answering({ 'PATCH /settings': settings });
    const went = going();
    const { user } = show(<Formats settings={settings} />);
    await user.selectOptions(screen.getByRole('combobox', { name: 'Language and region' }), 'English (United Kingdom)');
    /* Those on this page as well. */
    await waitFor(() => expect(went).toEqual(['refresh']));
    await waitFor(() =>
      expect(sentTo(asked, 'PATCH /settings')).toEqual({ locale: 'en-GB', clock: 'region', week_start: 'region' }),
    );
    await user.selectOptions(screen.getByRole('combobox', { name: 'Time format' }), '12-hour');
    await user.selectOptions(screen.getByRole('combobox', { name: 'First day of the week' }), 'Sunday');
    await waitFor(() => expect(sentTo(asked, 'PATCH /settings')).toEqual({ locale: 'en-GB', clock: '12', week_start: 'sunday' }));
  });

  test('what could not be saved is said, and shown as it is', async () => {
    answering({ 'PATCH /settings': refusal(403, { code: 'forbidden', detail: 'Only an admin can change settings.' }) });
    const { user } = show(<Formats settings={settings} />);
    await user.selectOptions(screen.getByRole('combobox', { name: 'Time format' }), '24-hour');
    expect(await screen.findByText('Only an admin can change settings.')).toBeVisible();
    expect(screen.getByRole('combobox', { name: 'Time format' })).toHaveValue('');
  });
});
