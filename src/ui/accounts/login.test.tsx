/** Logging in: what is wrong is said, the address stays; in the demo one click is enough. */
import { screen, waitFor } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { Login, type LoginState } from './login';

const start = (answer: Partial<LoginState> = {}, logins: { email: string; who: string }[] | null = null) => {
  const sent: [string | null, string | null][] = [];
  const action = (_: LoginState, form: FormData): Promise<LoginState> => {
    const [email, password] = [form.get('email') as string, form.get('password') as string];
    sent.push([email, password]);
    return Promise.resolve({ email, message: null, ...answer });
  };
  return { sent, ...show(<Login action={action} logins={logins} />) };
};

test('Enter logs in with what was typed', async () => {
  const { user, sent } = start();
  expect(screen.getByLabelText('Email')).toHaveFocus();
  await user.type(screen.getByLabelText('Email'), 'asta@tern.example');
  await user.type(screen.getByLabelText('Password'), 'a long one{Enter}');
  await waitFor(() => expect(sent).toEqual([['asta@tern.example', 'a long one']]));
});

test('what is wrong is said, and the address stays', async () => {
  const { user } = start({ message: 'Email or password is incorrect.' });
  await user.type(screen.getByLabelText('Email'), 'asta@tern.example');
  await user.type(screen.getByLabelText('Password'), 'nope{Enter}');
  expect(await screen.findByRole('alert')).toHaveTextContent('Email or password is incorrect.');
  expect(screen.getByLabelText('Email')).toHaveValue('asta@tern.example');
});

test('the demo shows whom one can be', async () => {
  const { user, sent } = start({}, [{ email: 'agent1@urraca.example', who: 'Asta Lund, agent' }]);
  await user.click(screen.getByRole('button', { name: /agent1@urraca\.example/ }));
  await waitFor(() => expect(sent).toEqual([['agent1@urraca.example', 'urraca-demo']]));
});

test('elsewhere it does not', () => {
  start();
  expect(screen.getAllByRole('button')).toHaveLength(1);
});
