/** Changing many: each form answers a whole change or none; what it will do is said before it is done. Exporting: each format with what it asks. */
import { screen, waitFor } from '@testing-library/react';
import type { BulkActionInput } from '@/core/changes';
import { WORDS } from '../../../tests/harness/people-of-forms';
import { answering, refusal, sentTo, show } from '../../../tests/harness/render';
import { ChangeDialog } from './change-dialog';
import { ExportDialog } from './export-dialog';
import { ChangeForm, type BulkActionForm } from './forms';
import { ChangeWatchProvider } from './watch';

const CHOSEN = { ids: ['5', '6'] };
const TAGS = { items: [{ id: '1', name: 'coast', color: 'teal', uses: 4 }] };

function form(doing: BulkActionForm) {
  const asked = answering({ 'GET /vocabulary': WORDS, 'GET /tags': TAGS, 'POST /changes/tags': { items: [] } });
  const said: (BulkActionInput | null)[] = [];
  return { said, asked, ...show(<ChangeForm doing={doing} selection={CHOSEN} onChange={(change) => said.push(change)} />) };
}

test('a stage, a horizon, a campaign: one of the account’s own', async () => {
  const stage = form('stage');
  await stage.user.click(await screen.findByLabelText('Talking'));
  expect(screen.queryByLabelText('Archived')).toBeNull();
  expect(stage.said).toEqual([{ kind: 'stage', stage: 'talking' }]);
  stage.unmount();
  const horizon = form('horizon');
  await horizon.user.click(await screen.findByLabelText('Warm'));
  await horizon.user.click(screen.getByLabelText('No horizon'));
  expect(horizon.said).toEqual([
    { kind: 'horizon', horizon: 'warm' },
    { kind: 'horizon', horizon: null },
  ]);
  horizon.unmount();
  const campaign = form('campaign');
  await campaign.user.click(await screen.findByLabelText('New buyer'));
  expect(campaign.said).toEqual([{ kind: 'campaign', campaign_id: '3' }]);
});

test('they are handed to an agent, a roster or by the ladder; who has left is not offered', async () => {
  const { user, said } = form('owner');
  await user.click(await screen.findByLabelText('Asta Lund'));
  await user.click(screen.getByLabelText('Coast agents, in turn'));
  await user.click(screen.getByLabelText(/^By the ladder/));
  expect(screen.queryByLabelText('Berit Moss')).toBeNull();
  expect(said).toEqual([
    { kind: 'owner', owner_id: '2' },
    { kind: 'hand_on', roster_id: '8' },
    { kind: 'hand_on', roster_id: null },
  ]);
});

test('roles are added and taken in one change; none is no change', async () => {
  const { user, said } = form('roles');
  await user.selectOptions(screen.getByLabelText('buyer'), 'becomes');
  await user.selectOptions(screen.getByLabelText('seller'), 'is no longer');
  expect(said.at(-1)).toEqual({ kind: 'roles', add: ['buyer'], remove: ['seller'] });
  await user.selectOptions(screen.getByLabelText('buyer'), 'no change');
  await user.selectOptions(screen.getByLabelText('seller'), 'no change');
  expect(said.at(-1)).toBeNull();
});

test('archiving asks why; a call may be about something', async () => {
  const archive = form('archive');
  await archive.user.type(screen.getByLabelText('Why'), 'Moved');
  expect(archive.said.at(-1)).toEqual({ kind: 'stage', stage: 'archived', archived_because: 'Moved' });
  await archive.user.clear(screen.getByLabelText('Why'));
  expect(archive.said.at(-1)).toBeNull();
  archive.unmount();
  const calls = form('call_list');
  await calls.user.type(screen.getByLabelText('What the call is about (optional)'), 'Open house');
  expect(calls.said.at(-1)).toEqual({ kind: 'call_list', note: 'Open house' });
});

test('a yes needs how it was said; a no does not', async () => {
  const { user, said } = form('permission');
  await user.selectOptions(screen.getByLabelText('Channel'), 'letters');
  expect(said.at(-1)).toBeNull();
  await user.type(screen.getByLabelText(/^How and where/), 'Sign-up sheet');
  expect(said.at(-1)).toEqual({ kind: 'permission', channel: 'letter', state: 'granted', evidence: 'Sign-up sheet' });
  await user.clear(screen.getByLabelText(/^How and where/));
  await user.selectOptions(screen.getByLabelText('Yes or no'), 'no');
  expect(said.at(-1)).toEqual({ kind: 'permission', channel: 'letter', state: 'withdrawn', evidence: '' });
});

test('each kind of field asks in its way', async () => {
  const { user, said } = form('field');
  const pick = async (name: string) => user.selectOptions(await screen.findByLabelText('Field'), name);
  await pick('Boat');
  await user.selectOptions(screen.getByLabelText('Value'), 'Sail');
  expect(said.at(-1)).toEqual({ kind: 'field', field_id: '1', value: 'Sail' });
  await pick('Pets');
  expect(said.at(-1)).toBeNull();
  await user.click(screen.getByLabelText('Dog'));
  await user.click(screen.getByLabelText('Cat'));
  await user.click(screen.getByLabelText('Dog'));
  expect(said.at(-1)).toEqual({ kind: 'field', field_id: '2', value: ['Cat'] });
  await pick('Insured');
  await user.selectOptions(screen.getByLabelText('Value'), 'no');
  expect(said.at(-1)).toEqual({ kind: 'field', field_id: '3', value: false });
  await pick('Moved in');
  await user.type(screen.getByLabelText('Date (leave empty to clear)'), '3/1/2024{Tab}');
  expect(said.at(-1)).toEqual({ kind: 'field', field_id: '4', value: '2024-03-01' });
  await pick('Nickname');
  await user.type(screen.getByLabelText('Value (leave empty to clear)'), 'Oda');
  expect(said.at(-1)).toEqual({ kind: 'field', field_id: '5', value: 'Oda' });
});

const dialog = (answers: object, doing: BulkActionForm = 'horizon') => {
  const asked = answering({ 'GET /vocabulary': WORDS, ...answers });
  const onAsked = jest.fn();
  return {
    asked,
    onAsked,
    ...show(
      <ChangeWatchProvider>
        <ChangeDialog doing={doing} selection={CHOSEN} onClose={jest.fn()} onAsked={onAsked} />
      </ChangeWatchProvider>,
    ),
  };
};

test('what will happen is said before it is done', async () => {
  const { user, asked, onAsked } = dialog({
    'POST /changes/preview': { will_change: 1_204, sentence: '1,204 people get the horizon Warm.' },
    'POST /changes': { id: '77' },
    'GET /changes/77': { id: '77', state: 'running', done: 0, total: 1_204, sentence: '' },
  });
  expect(screen.getByRole('button', { name: 'Do it' })).toBeDisabled();
  await user.click(await screen.findByLabelText('Warm'));
  expect(await screen.findByText('1,204 people get the horizon Warm.')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Do it for 1,204' }));
  await waitFor(() => expect(onAsked).toHaveBeenCalled());
  expect(sentTo(asked, 'POST /changes')).toEqual({ selection: CHOSEN, change: { kind: 'horizon', horizon: 'warm' } });
});

test('what changes nobody, or cannot be, cannot be done', async () => {
  const nobody = dialog({ 'POST /changes/preview': { will_change: 0, sentence: 'No one changes.' } });
  await nobody.user.click(await screen.findByLabelText('Warm'));
  expect(await screen.findByText('No one changes.')).toBeVisible();
  expect(screen.getByRole('button', { name: 'Do it for 0' })).toBeDisabled();
  nobody.unmount();
  dialog({ 'POST /changes/preview': refusal(403, { code: 'forbidden', detail: 'Only an admin can delete.' }) }, 'delete');
  expect(await screen.findByText('Only an admin can delete.')).toBeVisible();
  expect(screen.getByRole('button', { name: 'Do it' })).toBeDisabled();
});

test('labels ask for their sheet; the file is offered once it is written', async () => {
  const asked = answering({
    'POST /exports': { id: '3' },
    'GET /exports/3': { state: 'done', done: 2, total: 2, email: true },
  });
  const { user } = show(<ExportDialog selection={CHOSEN} count={2} onClose={jest.fn()} />);
  expect(screen.queryByLabelText('Sheet')).toBeNull();
  await user.click(screen.getByLabelText('Address labels, PDF'));
  await user.clear(screen.getByLabelText('Start at label'));
  await user.type(screen.getByLabelText('Start at label'), '4');
  await user.click(screen.getByLabelText('One label per household'));
  await user.click(screen.getByLabelText('Email it to me too'));
  expect(screen.queryByLabelText('When')).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Create file' }));
  expect(await screen.findByRole('link', { name: 'Download' })).toHaveAttribute('href', '/api/v1/exports/3/file');
  expect(screen.getByRole('status')).toHaveTextContent('2 people are in the file. It’s available for a week, and on its way');
  expect(sentTo(asked, 'POST /exports')).toEqual({
    format: 'labels',
    selection: CHOSEN,
    options: expect.objectContaining({ start: expect.any(Number) as number, per_household: false }) as object,
    email: true,
  });
});

test('what was asked as a question can come back by itself, under a name', async () => {
  const asked = answering({ 'POST /export-schedules': {} });
  const onClose = jest.fn();
  const { user } = show(<ExportDialog selection={{ question: {} }} count={40} onClose={onClose} />);
  await user.selectOptions(screen.getByLabelText('When'), 'every month');
  await user.clear(screen.getByLabelText('Day of the month'));
  await user.type(screen.getByLabelText('Day of the month'), '5');
  await user.selectOptions(screen.getByLabelText('Time of day'), '7:30 AM');
  expect(screen.getByRole('button', { name: /^Schedule every month/ })).toBeDisabled();
  await user.type(screen.getByLabelText('Name'), 'Letters');
  await user.click(screen.getByRole('button', { name: /^Schedule every month/ }));
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(sentTo(asked, 'POST /export-schedules')).toMatchObject({ name: 'Letters', every: 'month', at: '07:30', question: {} });
});

test('a file that could not be written says why', async () => {
  answering({
    'POST /exports': { id: '3' },
    'GET /exports/3': { state: 'failed', error: 'The disk is full.', done: 0, total: 2 },
  });
  const { user } = show(<ExportDialog selection={CHOSEN} count={2} onClose={jest.fn()} />);
  await user.click(screen.getByRole('button', { name: 'Create file' }));
  expect(await screen.findByRole('alert')).toHaveTextContent('The disk is full.');
});
