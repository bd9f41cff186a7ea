/** The mail server: entered and tried, what it said, taken away. */
import { screen, waitFor } from '@testing-library/react';
import { answering, sentTo, show, wrongAt } from '../../../tests/harness/render';
import { MailServer } from './mail-server';

const OWN = {
  host: 'smtp.ostby.example',
  port: 465,
  username: 'maren',
  from_address: 'hello@ostby.example',
  state: 'works',
  error: null,
};
const NONE = { by_installation: false, own: null };

test('without one it says that nothing goes out; what is entered is sent to be tried', async () => {
  const asked = answering({
    'GET /mail-connection': NONE,
    'PUT /mail-connection': { by_installation: false, own: { ...OWN, state: 'checking' } },
  });
  const { user } = show(<MailServer />);
  expect(await screen.findByText('Not connected. No email goes out yet.')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Connect email' }));
  await user.type(await screen.findByLabelText('Emails come from'), 'hello@ostby.example');
  await user.type(screen.getByLabelText('Server'), 'smtp.ostby.example');
  await user.type(screen.getByLabelText('Username'), 'maren');
  await user.type(screen.getByLabelText('Password'), 'app password{Enter}');
  await waitFor(() =>
    expect(sentTo(asked, 'PUT /mail-connection')).toEqual({
      from_address: 'hello@ostby.example',
      host: 'smtp.ostby.example',
      port: 587,
      username: 'maren',
      password: 'app password',
    }),
  );
});

test('what is wrong is said at its field', async () => {
  answering({
    'GET /mail-connection': NONE,
    'PUT /mail-connection': wrongAt('host', 'must be a valid hostname'),
  });
  const { user } = show(<MailServer />);
  await user.click(await screen.findByRole('button', { name: 'Connect email' }));
  await user.type(await screen.findByLabelText('Server'), 'a b{Enter}');
  await waitFor(() => expect(screen.getByLabelText('Server')).toHaveAccessibleDescription('Must be a valid hostname'));
});

test('one that failed says what the server said; its password stays unless another is typed', async () => {
  const asked = answering({
    'GET /mail-connection': {
      by_installation: false,
      own: { ...OWN, state: 'fails', error: 'the mail server could not be reached' },
    },
    'PUT /mail-connection': NONE,
    'DELETE /mail-connection': null,
  });
  const { user } = show(<MailServer />);
  expect(await screen.findByText('Not working: the mail server could not be reached.')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Edit' }));
  await user.click(await screen.findByRole('button', { name: 'Save and test' }));
  await waitFor(() => expect(sentTo(asked, 'PUT /mail-connection')).not.toHaveProperty('password'));
  await user.click(await screen.findByRole('button', { name: 'Disconnect' }));
  await waitFor(() => expect(asked.some(({ route }) => route === 'DELETE /mail-connection')).toBe(true));
});

test('where Urraca was set up with one, one’s own can take its place', async () => {
  answering({ 'GET /mail-connection': { by_installation: true, own: null } });
  show(<MailServer />);
  expect(await screen.findByText(/that Urraca was set up with/)).toBeVisible();
  expect(screen.getByRole('button', { name: 'Use your own' })).toBeVisible();
});
