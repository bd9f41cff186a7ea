/** Founding a brokerage and joining one: what is asked, what is wrong at its field, and what one finds when it is over. */
import { screen, waitFor } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { Join, JoinEnded, Welcome, WelcomeClosed, type ActionState } from '.';

/** An action that answers, and what it was sent. */
function acting(answer: Partial<ActionState>) {
  const sent: Record<string, unknown>[] = [];
  const action = (_: ActionState, form: FormData): Promise<ActionState> => {
    sent.push({ ...Object.fromEntries(form), states: form.getAll('states') });
    return Promise.resolve({ typed: {}, errors: {}, message: null, ...answer });
  };
  return { sent, action };
}

describe('founding', () => {
  const fill = async (answer: Partial<ActionState> = {}) => {
    const { sent, action } = acting(answer);
    const shown = show(<Welcome action={action} />);
    const { user } = shown;
    expect(screen.getByLabelText('One-time code')).toHaveFocus();
    await user.keyboard('9ZWK-FG7W-H36T');
    await user.type(screen.getByLabelText('Brokerage or team name'), 'Ostby Homes');
    await user.type(screen.getByRole('combobox', { name: 'States you’re licensed in' }), 'arizo{Enter}');
    await user.type(screen.getByLabelText('Your first name'), 'Maren');
    await user.type(screen.getByLabelText('Your email'), 'maren@ostby.example');
    await user.type(screen.getByLabelText('Password'), 'gulls over cold porridge');
    return { sent, ...shown };
  };

  test('everything is sent with Enter, the time zone as the first state has it', async () => {
    const { user, sent } = await fill();
    expect(screen.getByLabelText('Time zone')).toHaveDisplayValue('Arizona');
    await user.keyboard('{Enter}');
    await waitFor(() =>
      expect(sent).toEqual([
        {
          code: '9ZWK-FG7W-H36T',
          brokerage: 'Ostby Homes',
          states: ['AZ'],
          time_zone: 'America/Phoenix',
          first_name: 'Maren',
          last_name: '',
          email: 'maren@ostby.example',
          password: 'gulls over cold porridge',
        },
      ]),
    );
  });

  test('a zone that somebody chose stays with another state, and a state can be taken off', async () => {
    const { user } = await fill();
    await user.selectOptions(screen.getByLabelText('Time zone'), 'Mountain');
    await user.type(screen.getByRole('combobox', { name: 'States you’re licensed in' }), 'utah{Enter}');
    expect(screen.getByLabelText('Time zone')).toHaveDisplayValue('Mountain');
    await user.click(screen.getByRole('button', { name: 'Remove Arizona' }));
    expect(screen.queryByRole('button', { name: 'Remove Arizona' })).toBeNull();
    expect(screen.getByRole('button', { name: 'Remove Utah' })).toBeVisible();
  });

  test('what is wrong is said at its field, and what was typed stays', async () => {
    const { user } = await fill({
      errors: { code: 'This code isn’t right', states: 'Choose at least one state', password: 'Use at least 10 characters' },
    });
    await user.keyboard('{Enter}');
    await waitFor(() => expect(screen.getByLabelText('One-time code')).toHaveAccessibleDescription(/This code isn’t right/));
    expect(screen.getByLabelText('Password')).toHaveAccessibleDescription(/at least 10/);
    expect(screen.getByText('Choose at least one state')).toBeVisible();
    expect(screen.getByLabelText('Brokerage or team name')).toHaveValue('Ostby Homes');
    expect(screen.getByLabelText('Time zone')).toHaveDisplayValue('Arizona');
    expect(screen.getByLabelText('Password')).toHaveValue('gulls over cold porridge');
  });

  test('where there is a brokerage already one logs in; a code that ran out says what to do', () => {
    show(<WelcomeClosed founded />);
    expect(screen.getByRole('link', { name: 'Log in' })).toHaveAttribute('href', '/login');
    show(<WelcomeClosed founded={false} />);
    expect(screen.getByText(/prints a new one-time code/)).toBeVisible();
  });
});

describe('joining', () => {
  const INVITED = {
    brokerage: 'Ostby Homes',
    invitedBy: 'Maren Ostby',
    email: 'nils@ostby.example',
    firstName: 'Nils',
    lastName: '',
  };

  test('who invited is said, the name is filled in, and a password is all that is left', async () => {
    const { sent, action } = acting({});
    const { user } = show(<Join action={action} invited={INVITED} />);
    expect(screen.getByText('Maren Ostby invited you. You’ll log in with nils@ostby.example.')).toBeVisible();
    expect(screen.getByLabelText('Choose a password')).toHaveFocus();
    expect(screen.getByLabelText('First name')).toHaveValue('Nils');
    await user.keyboard('lanterns beside the quay{Enter}');
    await waitFor(() => expect(sent).toMatchObject([{ first_name: 'Nils', password: 'lanterns beside the quay' }]));
  });

  test('one who has a login elsewhere is told so', async () => {
    const { action } = acting({ message: 'This email already has a login at another brokerage.' });
    const { user } = show(<Join action={action} invited={INVITED} />);
    await user.type(screen.getByLabelText('Choose a password'), 'lanterns beside the quay{Enter}');
    expect(await screen.findByRole('alert')).toHaveTextContent('another brokerage');
  });

  test('an invitation that is over leads to the login', () => {
    show(<JoinEnded />);
    expect(screen.getByRole('link', { name: 'Log in' })).toHaveAttribute('href', '/login');
  });
});
