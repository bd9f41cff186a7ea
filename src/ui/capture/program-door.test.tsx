/** A door for programs: its last requests with what was read of them, fields taught where they stand, values that are always the same, a mode without effect. */
import { screen, waitFor, within } from '@testing-library/react';
import { answering, sentTo, show, wrongAt } from '../../../tests/harness/render';
import { ProgramDoor } from './program-door';
import type { DoorJson } from './shapes';

const DOOR = {
  id: '7',
  name: 'Our website',
  kind: 'api',
  address: 'https://urraca.example/in/x7',
  sandbox: false,
  mapping: {},
} as unknown as DoorJson;
const REQUEST = {
  id: '91',
  at: '2026-11-23T18:20:00Z',
  status: 201,
  sandbox: false,
  took_ms: 14,
  content_type: 'application/json',
  body: '{"who":{"call":"Oda"},"mail":"oda@kelp.example"}',
  answer: { inquiry: { id: '5' } },
};
const API = {
  'GET /doors/7/requests': { items: [REQUEST, { ...REQUEST, id: '92', status: 422, body: 'not json', answer: {} }] },
  'POST /doors/7/read': {
    places: [
      { place: 'who.call', value: 'Oda' },
      { place: 'mail', value: 'oda@kelp.example' },
    ],
    errors: [],
    inquiry: { person: { emails: ['oda@kelp.example'] } },
  },
};
const start = async (answers: object = {}, door: Partial<DoorJson> = {}) => {
  const asked = answering({ ...API, ...answers });
  const shown = show(<ProgramDoor door={{ ...DOOR, ...door }} />);
  await shown.user.click(screen.getByRole('button', { name: 'Requests and fields' }));
  const dialog = within(await screen.findByRole('dialog', { name: 'Requests and fields of “Our website”' }));
  return { asked, dialog, ...shown };
};

test('a field is taught where it stands, and read again at once', async () => {
  const { user, asked, dialog } = await start({ 'PATCH /doors/7': {} });
  await user.selectOptions(await dialog.findByLabelText('What who.call is'), 'first name');
  await waitFor(() =>
    expect(sentTo(asked, 'POST /doors/7/read')).toMatchObject({ mapping: { first_name: { place: 'who.call' } } }),
  );
  await user.click(dialog.getByRole('button', { name: 'Save' }));
  await waitFor(() =>
    expect(sentTo(asked, 'PATCH /doors/7')).toEqual({ mapping: { first_name: { place: 'who.call' } }, sandbox: false }),
  );
  expect(await screen.findByText('Saved. Applies to everything that comes in from now on.')).toBeVisible();
});

test('a value that is always the same, and one that is not after all', async () => {
  const { user, asked, dialog } = await start({ 'PATCH /doors/7': {} });
  await user.selectOptions(dialog.getByLabelText('Fixed value'), 'first name');
  await user.type(dialog.getByLabelText('What first name always is'), 'Friend');
  await user.selectOptions(dialog.getByLabelText('Fixed value'), 'last name');
  await user.click(dialog.getByRole('button', { name: 'last name varies' }));
  await user.click(dialog.getByRole('button', { name: 'Save' }));
  await waitFor(() =>
    expect(sentTo(asked, 'PATCH /doors/7')).toEqual({ mapping: { first_name: { words: 'Friend' } }, sandbox: false }),
  );
});

test('in test mode nothing is saved, which is said', async () => {
  const { user, dialog } = await start({ 'PATCH /doors/7': {} });
  await user.click(dialog.getByRole('checkbox', { name: /^Test mode/ }));
  await user.click(dialog.getByRole('button', { name: 'Save' }));
  expect(await screen.findByText(/not saved until you turn test mode off/)).toBeVisible();
});

test('what cannot be read is shown as it came', async () => {
  const { user, dialog } = await start();
  const requests = within(await dialog.findByRole('list', { name: 'Recent requests' }));
  await user.click(requests.getByRole('button', { name: /^422/ }));
  expect(await dialog.findByText('Not readable as JSON or a form.')).toBeVisible();
  expect(dialog.getByText('not json')).toBeVisible();
});

test('what is refused is said, and what was taught stays', async () => {
  const { user, dialog } = await start({ 'PATCH /doors/7': wrongAt('mapping', 'names a place that is not there') });
  await user.selectOptions(await dialog.findByLabelText('What mail is'), 'email');
  await user.click(dialog.getByRole('button', { name: 'Save' }));
  expect(await dialog.findByText(/names a place that is not there/i)).toBeVisible();
  expect(dialog.getByLabelText('What mail is')).toHaveValue('email');
});

test('none yet says how to send one', async () => {
  const { dialog } = await start({ 'GET /doors/7/requests': { items: [] } });
  expect(await dialog.findByText(/^No requests yet\. Send one to the address/)).toBeVisible();
});
