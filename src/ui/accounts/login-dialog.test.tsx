/** One's own login: the password is changed with the old one, and what is wrong stands at its field; devices are logged out one by one or all at once. */
import { screen, waitFor, within } from '@testing-library/react';
import { answering, sentTo, show, wrongAt, type Answers } from '../../../tests/harness/render';
import { LoginDialog } from './login-dialog';

const HERE = {
  id: '1',
  device: 'Chrome on Windows',
  from: '10.0.0.4',
  created_at: '2026-11-20T18:00:00Z',
  last_seen_at: '2026-11-23T18:20:00Z',
  current: true,
};
const PHONE = { ...HERE, id: '2', device: 'Safari on iPhone', from: '10.0.7.7', current: false };
const PASSWORD = 'PUT /password';
const open = (answers: Answers = {}) => {
  const asked = answering({
    'GET /sessions': { items: [HERE, PHONE] },
    [PASSWORD]: {},
    'DELETE /sessions/2': {},
    'DELETE /sessions': { ended: 1 },
    ...answers,
  });
  const onClose = jest.fn();
  return { asked, onClose, ...show(<LoginDialog onClose={onClose} />) };
};
const field = (name: string) => screen.getByLabelText(name);
const change = () => screen.getByRole('button', { name: 'Change password' });
const asks = (asked: { route: string }[], route: string) => asked.filter((one) => one.route === route).length;

test('Enter changes it; the fields are empty then, and devices are read again', async () => {
  const { user, asked } = open();
  expect(change()).toBeDisabled();
  await user.type(field('Current password'), 'the old one');
  await user.type(field('New password'), 'gulls over cold porridge{Enter}');
  expect(await screen.findByText('Password changed. Your other devices were logged out.')).toBeVisible();
  expect(sentTo(asked, PASSWORD)).toEqual({ current_password: 'the old one', new_password: 'gulls over cold porridge' });
  expect(field('Current password')).toHaveValue('');
  expect(field('New password')).toHaveValue('');
  await waitFor(() => expect(asks(asked, 'GET /sessions')).toBe(2));
});

test('what is wrong stands at its field, and what was typed stays', async () => {
  const { user } = open({ [PASSWORD]: wrongAt('new_password', 'Use at least 10 characters') });
  await user.type(field('Current password'), 'the old one');
  await user.type(field('New password'), 'short');
  await user.click(change());
  await waitFor(() => expect(field('New password')).toHaveAccessibleDescription(/Use at least 10 characters/));
  expect(field('New password')).toBeInvalid();
  expect(field('Current password')).toHaveValue('the old one');
});

test('what is typed is hidden until one asks to see it, and never kept in the browser', async () => {
  const { user } = open();
  await user.type(field('New password'), 'gulls over');
  expect(field('New password')).toHaveAttribute('type', 'password');
  expect(field('New password')).toHaveAttribute('autocomplete', 'new-password');
  await user.click(screen.getByRole('checkbox', { name: 'Show passwords' }));
  expect(field('New password')).toHaveAttribute('type', 'text');
  await new Promise((resolve) => setTimeout(resolve, 500));
  expect(JSON.stringify({ ...localStorage })).not.toContain('gulls');
});

test('each device says what it is and from where; this one is not logged out here', async () => {
  open();
  const devices = within(screen.getByRole('region', { name: 'Devices' }));
  expect(await devices.findByText('Chrome on Windows')).toBeVisible();
  expect(devices.getByText('This device')).toBeVisible();
  expect(devices.getByText(/^10\.0\.7\.7 · since .* · last used /)).toBeVisible();
  expect(devices.queryByRole('button', { name: /Chrome/ })).toBeNull();
});

test('another device is logged out', async () => {
  const { user, asked } = open();
  await user.click(await screen.findByRole('button', { name: 'Log out Safari on iPhone, 10.0.7.7' }));
  await waitFor(() => expect(asks(asked, 'DELETE /sessions/2')).toBe(1));
  await waitFor(() => expect(asks(asked, 'GET /sessions')).toBe(2));
});

test('all others are logged out at once, which is offered where there are any', async () => {
  const { user, unmount } = open();
  await user.click(await screen.findByRole('button', { name: 'Log out everywhere else' }));
  expect(await screen.findByText('One other device was logged out.')).toBeVisible();
  unmount();
  open({ 'GET /sessions': { items: [HERE] } });
  await screen.findByText('Chrome on Windows');
  expect(screen.queryByRole('button', { name: 'Log out everywhere else' })).toBeNull();
});
