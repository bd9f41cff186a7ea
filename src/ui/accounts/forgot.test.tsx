/** A forgotten password: a link is asked for, whether there is a login or not; with it a new one is chosen, and what may not be is said at its field. */
import { screen, waitFor } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { Forgot, Login, Reset, ResetEnded, type ForgotState, type ResetState } from '.';

describe('asking for a link', () => {
  const open = (answer: Partial<ForgotState> = {}) => {
    const sent: (string | null)[] = [];
    const action = (_: ForgotState, form: FormData): Promise<ForgotState> => {
      const email = form.get('email') as string;
      sent.push(email);
      return Promise.resolve({ email, asked: true, message: null, ...answer });
    };
    return { sent, ...show(<Forgot action={action} minutes={30} />) };
  };

  test('Enter asks, and the answer tells nobody whether the address has a login', async () => {
    const { user, sent } = open();
    expect(screen.getByLabelText('Email')).toHaveFocus();
    await user.keyboard('asta@tern.example{Enter}');
    expect(await screen.findByRole('status')).toHaveTextContent(
      /^If asta@tern\.example has a login here, a link is on its way\. .* 30 minutes/,
    );
    expect(sent).toEqual(['asta@tern.example']);
    expect(screen.queryByLabelText('Email')).toBeNull();
    expect(screen.getByRole('link', { name: 'Back to login' })).toHaveAttribute('href', '/login');
  });

  test('what is no address is said, and stays', async () => {
    const { user } = open({ asked: false, message: 'Enter the whole email address.' });
    await user.type(screen.getByLabelText('Email'), 'asta@tern{Enter}');
    expect(await screen.findByRole('alert')).toHaveTextContent('Enter the whole email address.');
    expect(screen.getByLabelText('Email')).toHaveValue('asta@tern');
  });
});

describe('choosing a new password', () => {
  const open = (answer: Partial<ResetState> = {}) => {
    const sent: (string | null)[] = [];
    const action = (_: ResetState, form: FormData): Promise<ResetState> => {
      sent.push(form.get('password') as string);
      return Promise.resolve({ error: null, message: null, ...answer });
    };
    return { sent, ...show(<Reset action={action} email="asta@tern.example" />) };
  };
  const field = () => screen.getByLabelText('New password');

  test('it says whose it is, and Enter saves', async () => {
    const { user, sent } = open();
    expect(screen.getByText(/^For asta@tern\.example\./)).toBeVisible();
    expect(field()).toHaveFocus();
    expect(field()).toHaveAttribute('autocomplete', 'new-password');
    await user.keyboard('gulls over cold porridge{Enter}');
    await waitFor(() => expect(sent).toEqual(['gulls over cold porridge']));
  });

  test('one that may not be is said at its field, and stays to be mended', async () => {
    const { user } = open({ error: 'Use at least 10 characters' });
    await user.type(field(), 'short{Enter}');
    await waitFor(() => expect(field()).toHaveAccessibleDescription(/Use at least 10 characters/));
    expect(field()).toBeInvalid();
    expect(field()).toHaveValue('short');
  });

  test('it is shown on request', async () => {
    const { user } = open();
    expect(field()).toHaveAttribute('type', 'password');
    await user.click(screen.getByRole('checkbox', { name: 'Show password' }));
    expect(field()).toHaveAttribute('type', 'text');
  });

  test('a link that ended meanwhile says so', async () => {
    const { user } = open({ message: 'This link was used already, or it’s too old. Ask for a new one.' });
    await user.type(field(), 'gulls over cold porridge{Enter}');
    expect(await screen.findByRole('alert')).toHaveTextContent(/Ask for a new one\.$/);
  });

  test('an old link leads to a new one', () => {
    show(<ResetEnded />);
    expect(screen.getByRole('heading', { name: 'This link no longer works' })).toBeVisible();
    expect(screen.getByRole('link', { name: 'Get a new link' })).toHaveAttribute('href', '/forgot');
  });
});

test('the login leads there, and says when a new password was chosen', () => {
  show(<Login action={(before) => Promise.resolve(before)} logins={null} isReset />);
  expect(screen.getByRole('status')).toHaveTextContent('Your password is changed. Log in with it.');
  expect(screen.getByRole('link', { name: 'Forgot your password?' })).toHaveAttribute('href', '/forgot');
});
