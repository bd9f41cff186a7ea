/** The second step of one's own login: set up by its first code; recovery codes are seen once; turned off only when it is meant. */
import { screen, waitFor } from '@testing-library/react';
import { answering, sentTo, show, wrongAt, type Answers } from '../../../tests/harness/render';
import { LoginCode } from './login-code';
import { TwoStep } from './two-step';
import { Passkeys } from './passkeys';

const OFF = { totp_since: null, recovery_codes_left: 0, passkeys: [], required: false, passkeys_work: true };
const ON = { ...OFF, totp_since: '2026-11-20T18:00:00Z', recovery_codes_left: 1 };
const SETUP = { secret: 'ABCDEFGHIJKL', uri: 'otpauth://totp/x', qr: '<svg xmlns="http://www.w3.org/2000/svg"/>' };
const CODES = ['k7m3x-9pq2w', 'aaaaa-bbbbb'];
const open = (answers: Answers = {}) => {
  const asked = answering({
    'GET /login-security': OFF,
    'POST /totp': SETUP,
    'PUT /totp': { recovery_codes: CODES },
    ...answers,
  });
  const onDone = jest.fn();
  return { asked, onDone, ...show(<TwoStep onDone={onDone} />) };
};
const button = (name: string) => screen.findByRole('button', { name });

test('scanned or typed, it is on with its first code; the recovery codes are seen once and copied', async () => {
  const { user, asked, onDone } = open();
  await user.click(await button('Set up an authenticator app'));
  expect(await screen.findByRole('img', { name: 'QR code for your authenticator app' })).toBeVisible();
  expect(screen.getByText('ABCD EFGH IJKL')).toBeVisible();
  await user.type(screen.getByLabelText('Six-digit code'), '123456{Enter}');
  expect(await screen.findByText(/k7m3x-9pq2w/)).toBeVisible();
  expect(sentTo(asked, 'PUT /totp')).toEqual({ code: '123456' });
  await user.click(await button('Copy'));
  expect(await navigator.clipboard.readText()).toBe(CODES.join('\n'));
  await user.click(await button('I saved them'));
  expect(screen.queryByText(/k7m3x-9pq2w/)).toBeNull();
  expect(onDone).toHaveBeenCalled();
});

test('a wrong code says so at its field', async () => {
  const { user } = open({ 'PUT /totp': wrongAt('code', 'That code isn’t right') });
  await user.click(await button('Set up an authenticator app'));
  await user.type(await screen.findByLabelText('Six-digit code'), '000000{Enter}');
  await waitFor(() => expect(screen.getByLabelText('Six-digit code')).toHaveAccessibleDescription(/isn’t right/));
});

test('once it is on, it says since when and how many codes are left; turning it off asks first', async () => {
  const { user, asked } = open({ 'GET /login-security': ON, 'DELETE /totp': null });
  expect(await screen.findByText(/^On since .*1 recovery code left\.$/)).toBeVisible();
  await user.click(await button('Turn off…'));
  expect(asked.some(({ route }) => route === 'DELETE /totp')).toBe(false);
  await user.click(await button('Turn off'));
  expect(await screen.findByText('The authenticator app is off.')).toBeVisible();
});

test('passkeys are listed and removed; where there can be none, nothing is said of them', async () => {
  const mine = { id: '4', name: 'My phone', created_at: '2026-11-20T18:00:00Z', last_used_at: null };
  const asked = answering({ 'GET /login-security': { ...OFF, passkeys: [mine] }, 'DELETE /passkeys/4': null });
  const { user, unmount } = show(<Passkeys />);
  expect(await screen.findByText(/^Added .* · not used yet$/)).toBeVisible();
  await user.click(await button('Remove My phone'));
  expect(await screen.findByText('Passkey removed.')).toBeVisible();
  expect(asked.some(({ route }) => route === 'DELETE /passkeys/4')).toBe(true);
  unmount();
  answering({ 'GET /login-security': { ...OFF, passkeys_work: false } });
  show(<Passkeys />);
  await waitFor(() => expect(screen.queryByRole('region', { name: 'Passkeys' })).toBeNull());
});

test('at the login the code is typed and what was wrong is said; a passkey takes its place', async () => {
  const send = jest.fn(async () => ({ message: 'That code isn’t right.' }));
  const begin = jest.fn(async () => ({ message: 'Passkeys need an address with a name.' }));
  const { user } = show(<LoginCode action={send} passkey={{ begin, end: jest.fn() }} />);
  await user.type(screen.getByLabelText('Code'), '123456{Enter}');
  expect(await screen.findByText('That code isn’t right.')).toBeVisible();
  await user.click(await button('Log in with a passkey'));
  expect(await screen.findByText('Passkeys need an address with a name.')).toBeVisible();
});
