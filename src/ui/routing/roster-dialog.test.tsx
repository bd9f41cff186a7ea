/** The form of a roster: what is asked follows from how it hands out; people are added, moved, limited and removed. */
import { screen, waitFor, within } from '@testing-library/react';
import { USERS } from '../../../tests/harness/people-of-forms';
import { answering, keepsWhatIsTyped, sentTo, show, wrongAt } from '../../../tests/harness/render';
import { OTHER_ROSTER, ROSTER } from '../../../tests/harness/routing';
import { RosterDialog } from './roster-dialog';
import type { RosterJson } from './shapes';

const open = (onClose: () => void, roster: RosterJson | null = ROSTER) => (
  <RosterDialog roster={roster} rosters={[ROSTER, OTHER_ROSTER]} onClose={onClose} />
);

keepsWhatIsTyped('a roster', {
  open,
  label: 'Name',
  typed: 'Harbor agents',
  route: 'PATCH /rosters/8',
  field: 'name',
  answers: { 'GET /users': USERS },
});

test('only what matters for the way it hands out is asked', async () => {
  answering({ 'GET /users': USERS });
  const { user } = show(open(jest.fn()));
  expect(screen.queryByLabelText('Time to accept')).toBeNull();
  expect(screen.queryByLabelText(/^Share of/)).toBeNull();
  await user.selectOptions(screen.getByLabelText('Distribution'), 'weighted');
  expect(screen.getByLabelText('Share of Asta Lund')).toHaveValue(1);
  await user.selectOptions(screen.getByLabelText('Distribution'), 'timed turns');
  expect(screen.getByLabelText('Distribution')).toHaveAccessibleDescription(/one at a time/);
  expect(screen.getByLabelText('Time to accept')).toHaveValue(10);
  expect(screen.getByLabelText('Most people')).toBeVisible();
  await user.selectOptions(screen.getByLabelText('If no one takes it'), 'another roster');
  expect(within(screen.getByLabelText('The next roster')).queryByRole('option', { name: 'Coast agents' })).toBeNull();
});

test('all of it is sent, people in their order', async () => {
  const asked = answering({ 'GET /users': USERS, 'PATCH /rosters/8': {} });
  const onClose = jest.fn();
  const { user } = show(open(onClose));
  await user.selectOptions(screen.getByLabelText('Distribution'), 'open claim');
  await user.clear(screen.getByLabelText('Time to accept'));
  await user.type(screen.getByLabelText('Time to accept'), '5');
  await user.click(screen.getByLabelText('move on if not attempted'));
  await user.click(screen.getByLabelText('hide the name until they accept'));
  await user.click(screen.getByLabelText('everyone on it sees all its leads'));
  await user.selectOptions(screen.getByLabelText('If no one takes it'), 'the commons, first to take it');
  await user.click(screen.getByRole('button', { name: 'Move Asta Lund up' }));
  await user.type(screen.getByLabelText('Daily limit of Asta Lund'), '3');
  await user.click(screen.getByRole('button', { name: 'Hours of Asta Lund' }));
  await user.click(screen.getByRole('button', { name: 'Friday' }));
  await user.click(screen.getByRole('button', { name: 'Remove Ines Kolar' }));
  await user.selectOptions(await screen.findByLabelText('Add person'), 'Lorne Bank');
  await user.click(screen.getByLabelText(/^Email invitations/));
  await user.click(screen.getByRole('button', { name: 'Save roster' }));
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(sentTo(asked, 'PATCH /rosters/8')).toEqual({
    name: 'Coast agents',
    hand_out: 'open',
    window_seconds: 300,
    try_seconds: 3_600,
    most_turns: null,
    hides: ['name'],
    sees: 'all',
    safety_net_id: '1',
    invite: true,
    then: { to: 'commons', roster_id: null, seconds: 3_600 },
    members: [
      {
        id: '2',
        weight: 1,
        daily_cap: 3,
        open_cap: null,
        hours: [{ days: [1, 2, 3, 4], from: '09:00', to: '18:00' }],
        paused: false,
      },
      { id: '6', weight: 1, daily_cap: null, open_cap: null, hours: [], paused: false },
    ],
  });
});

test('what would make a circle is said at the next roster', async () => {
  answering({ 'GET /users': USERS, 'PATCH /rosters/8': wrongAt('then.roster_id', 'makes a circle') });
  const { user } = show(open(jest.fn()));
  await user.selectOptions(screen.getByLabelText('If no one takes it'), 'another roster');
  await user.selectOptions(screen.getByLabelText('The next roster'), 'Night watch');
  await user.click(screen.getByRole('button', { name: 'Save roster' }));
  await waitFor(() => expect(screen.getByLabelText('The next roster')).toHaveAccessibleDescription('Makes a circle'));
});

test('a new one needs a name; the first of the office is its safety net until another is chosen', async () => {
  const asked = answering({ 'GET /users': USERS, 'POST /rosters': {} });
  const { user } = show(open(jest.fn(), null));
  expect(screen.getByRole('button', { name: 'Save roster' })).toBeDisabled();
  await user.type(screen.getByLabelText('Name'), 'Harbor');
  await screen.findByRole('option', { name: 'Ines Kolar', selected: true });
  await user.keyboard('{Enter}');
  await waitFor(() => expect(sentTo(asked, 'POST /rosters')).toMatchObject({ name: 'Harbor', safety_net_id: '1', members: [] }));
});

test('it is deleted by its button', async () => {
  const asked = answering({ 'GET /users': USERS, 'DELETE /rosters/8': {} });
  const { user } = show(open(jest.fn()));
  await user.click(screen.getByRole('button', { name: 'Delete' }));
  await waitFor(() => expect(asked.map(({ route }) => route)).toContain('DELETE /rosters/8'));
});
