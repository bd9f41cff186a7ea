/** The forms of Setup: tags, fields, keys, what takes the place of what is removed, who leaves. */
import { screen, waitFor, within } from '@testing-library/react';
import { USERS, WORDS } from '../../../tests/harness/people-of-forms';
import { answering, refusal, sentTo, show, wrongAt } from '../../../tests/harness/render';
import { ChangeWatchProvider } from '../changes';
import { Fields } from './fields';
import { Keys } from './keys';
import { Tags } from './tags';
import { Users } from './users';

const CHANGE = { id: '77', state: 'running', done: 0, total: 4, sentence: '' };
const API = {
  'GET /vocabulary': WORDS,
  'GET /changes/77': CHANGE,
  'GET /tags': {
    items: [
      { id: '1', name: 'coast', color: 'teal', uses: 4, made_by: 'Asta Lund', locked: false },
      { id: '2', name: 'boat', color: 'sand', uses: 1, made_by: null, locked: true },
    ],
  },
};
const watched = (what: React.ReactElement) => show(<ChangeWatchProvider>{what}</ChangeWatchProvider>);

test('a tag gets another name and color; what is wrong stands at its name', async () => {
  const asked = answering({ ...API, 'PATCH /tags/1': wrongAt('name', 'already exists') });
  const { user } = watched(<Tags settings={{ tag_barred: [], tag_places: false }} />);
  await user.click(await screen.findByRole('button', { name: 'Edit coast' }));
  const name = await screen.findByLabelText('Name');
  await user.clear(name);
  await user.type(name, 'boat');
  await user.click(screen.getByRole('radio', { name: 'leaf' }));
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() => expect(name).toHaveAccessibleDescription('Already exists'));
  expect(sentTo(asked, 'PATCH /tags/1')).toEqual({ name: 'boat', color: 'leaf' });
  await user.click(screen.getByRole('button', { name: 'Lock' }));
  await waitFor(() => expect(sentTo(asked, 'PATCH /tags/1')).toEqual({ locked: true }));
});

test('a locked tag is not edited, and rules are kept at once', async () => {
  const asked = answering({ ...API, 'PATCH /settings': {} });
  const { user } = watched(<Tags settings={{ tag_barred: [], tag_places: false }} />);
  expect(await screen.findByRole('button', { name: 'Delete boat' })).toBeDisabled();
  await user.click(screen.getByRole('checkbox', { name: 'Agents can create tags' }));
  await waitFor(() => expect(sentTo(asked, 'PATCH /settings')).toEqual({ tag_barred: ['agent'] }));
});

test('a tag that is removed may give its people another', async () => {
  const asked = answering({ ...API, 'DELETE /tags/1': { id: '77' } });
  const { user } = watched(<Tags settings={{ tag_barred: [], tag_places: false }} />);
  await user.click(await screen.findByRole('button', { name: 'Delete coast' }));
  expect(await screen.findByRole('button', { name: 'Remove it from 4 people' })).toBeEnabled();
  await user.selectOptions(screen.getByLabelText('Its 4 people'), 'get “boat” instead');
  await user.click(screen.getByRole('button', { name: 'Merge it into “boat”' }));
  await waitFor(() => expect(asked.map(({ route }) => route)).toContain('DELETE /tags/1'));
});

test('a field with choices asks for them; once it is made the form is empty again', async () => {
  const asked = answering({ ...API, 'GET /fields': { items: [] }, 'POST /fields': { id: '9' } });
  const { user } = watched(<Fields />);
  await user.type(screen.getByLabelText('New field name'), 'Boat');
  expect(screen.queryByLabelText('Choices, separated by commas')).toBeNull();
  await user.selectOptions(screen.getByLabelText('Holds'), 'One of several choices');
  await user.type(screen.getByLabelText('Choices, separated by commas'), 'Sail, Motor,{Enter}');
  await waitFor(() => expect(screen.getByLabelText('New field name')).toHaveValue(''));
  expect(sentTo(asked, 'POST /fields')).toEqual({ name: 'Boat', kind: 'choice', choices: ['Sail', 'Motor'] });
});

test('a field is renamed with its choices', async () => {
  const field = { id: '9', name: 'Boat', kind: 'choice', choices: ['Sail'], uses: 2 };
  const asked = answering({ ...API, 'GET /fields': { items: [field] }, 'PATCH /fields/9': field });
  const { user } = watched(<Fields />);
  expect(await screen.findByText(/Sail · 2 people/)).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Edit Boat' }));
  const dialog = within(await screen.findByRole('dialog', { name: 'Edit field' }));
  await user.type(dialog.getByLabelText('Choices, separated by commas'), ', Motor{Enter}');
  await waitFor(() => expect(sentTo(asked, 'PATCH /fields/9')).toEqual({ name: 'Boat', choices: ['Sail', 'Motor'] }));
});

test('a key is shown once, with what it may', async () => {
  const asked = answering({
    'GET /keys': { items: [] },
    'GET /doors': { items: [{ id: '7', name: 'Our website', kind: 'api', address: 'https://urraca.example/in/x' }] },
    'POST /keys': { key: 'ur_secret' },
  });
  const { user } = show(<Keys />);
  await user.type(screen.getByLabelText('New key name'), 'Website');
  await user.selectOptions(await screen.findByLabelText('Its leads come in through'), 'Our website');
  await user.selectOptions(screen.getByLabelText('Works for'), '90 days');
  await user.click(screen.getByRole('button', { name: 'Create key' }));
  expect(await screen.findByText('ur_secret')).toBeVisible();
  expect(sentTo(asked, 'POST /keys')).toEqual({ name: 'Website', scopes: ['inquiries:write'], door_id: '7', days: 90 });
  await waitFor(() => expect(screen.getByLabelText('New key name')).toHaveValue(''));
  await user.click(screen.getByRole('checkbox', { name: 'inquiries:write' }));
  await user.type(screen.getByLabelText('New key name'), 'Nothing');
  expect(screen.getByRole('button', { name: 'Create key' })).toBeDisabled();
});

test('who leaves hands on first; what went wrong is said', async () => {
  const asked = answering({
    ...API,
    'GET /users': USERS,
    'GET /contacts/count': { count: 1_204 },
    'POST /users/2/deactivate': refusal(409, { code: 'conflict', detail: 'Asta Lund is the only one on Coast agents.' }),
  });
  const { user } = watched(<Users users={USERS.items as never} me={{ id: '1', role: 'owner' }} />);
  expect(screen.queryByRole('button', { name: 'Ines Kolar: deactivate' })).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Asta Lund: deactivate' }));
  expect(await screen.findByText('1,204')).toBeVisible();
  expect(screen.getByRole('button', { name: 'Hand off and deactivate' })).toBeDisabled();
  await user.click(await screen.findByLabelText('Coast agents, in turn'));
  await user.click(screen.getByRole('button', { name: 'Hand off and deactivate' }));
  expect(await screen.findByText('Asta Lund is the only one on Coast agents.')).toBeVisible();
  expect(sentTo(asked, 'POST /users/2/deactivate')).toEqual({ change: { kind: 'hand_on', roster_id: '8' } });
});
