/** Users as those who run the office have them: invited, changed, made the owner; and the offices they work at. */
import { screen, waitFor, within } from '@testing-library/react';
import { answering, refusal, sentTo, show, wrongAt } from '../../../tests/harness/render';
import { Offices } from './offices';
import { Users } from './users';

const person = (id: string, name: string, role: string, office: string | null = null) => ({
  id,
  name,
  role,
  email: `${name.split(' ')[0]!.toLowerCase()}@ostby.example`,
  phone: null,
  office,
  office_id: office && '3',
  away_until: null,
  two_step: false,
  away_from: null,
  custom_role: null,
});
const USERS = [
  person('1', 'Maren Ostby', 'owner', 'Main'),
  person('2', 'Nils Frost', 'agent', 'Main'),
  person('4', 'Ada Quill', 'admin'),
];
const OFFICES = {
  items: [
    { id: '3', name: 'Main', users: 2 },
    { id: '5', name: 'Harbor', users: 0 },
  ],
};
const OPEN = {
  id: '8',
  email: 'liv@ostby.example',
  role: 'agent',
  name: '',
  office: null,
  invited_by: 'Maren Ostby',
  made_at: '2026-11-20T10:00:00Z',
  ends_at: '2036-12-01T10:00:00Z',
  ended: false,
  mailed_at: null,
  mail_error: null,
};
const API = {
  'GET /users': { items: USERS },
  'GET /offices': OFFICES,
  'GET /ladder': { rosters: [{ id: '6', name: 'Everyone' }] },
  'GET /user-invitations': { email_connected: true, items: [] },
};
const open = (answers: object = {}, me: { id: string; role: 'owner' | 'admin' } = { id: '1', role: 'owner' }) => {
  const asked = answering({ ...API, ...answers });
  return { asked, ...show(<Users users={USERS as never} me={me} />) };
};

describe('invitations', () => {
  const invite = async (answers: object) => {
    const shown = open(answers);
    await shown.user.click(await screen.findByRole('button', { name: 'Invite people' }));
    await shown.user.type(await screen.findByRole('textbox', { name: 'Email' }), 'liv@ostby.example');
    return shown;
  };

  test('by email, with role, office and roster', async () => {
    const { user, asked } = await invite({ 'POST /user-invitations': { id: '8', link: null } });
    /* The only one there is. */
    expect(await screen.findByLabelText('Roster')).toHaveDisplayValue('Everyone');
    await user.selectOptions(screen.getByLabelText('Office'), 'Main');
    await user.click(screen.getByRole('button', { name: 'Invite' }));
    expect(await screen.findByText('The invitation is on its way.')).toBeVisible();
    expect(sentTo(asked, 'POST /user-invitations')).toEqual({
      email: 'liv@ostby.example',
      first_name: '',
      last_name: '',
      role: 'agent',
      office_id: '3',
      roster_id: '6',
      by: 'email',
    });
  });

  test('by a link, which is shown once; a lender is asked for no roster', async () => {
    const { user } = await invite({ 'POST /user-invitations': { id: '8', link: 'https://ostby.example/join/x7' } });
    await user.selectOptions(screen.getByLabelText('Role'), 'Lender');
    expect(screen.queryByLabelText('Roster')).toBeNull();
    await user.click(screen.getByRole('radio', { name: 'Give me a link to pass on' }));
    await user.click(screen.getByRole('button', { name: 'Invite' }));
    expect(await screen.findByText('https://ostby.example/join/x7')).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'Copy' }));
    expect(await navigator.clipboard.readText()).toBe('https://ostby.example/join/x7');
  });

  test('where no email goes out, a link is what they get', async () => {
    const { user, asked } = await invite({
      'GET /user-invitations': { items: [], email_connected: false },
      'POST /user-invitations': { id: '8', link: 'https://ostby.example/join/x7' },
    });
    expect(screen.getByRole('radio', { name: 'Send them an email, once email is connected' })).not.toBeChecked();
    await user.keyboard('{Enter}');
    await waitFor(() => expect(sentTo(asked, 'POST /user-invitations')).toMatchObject({ by: 'link' }));
  });

  test('who works here already is said at the field', async () => {
    const { user } = await invite({ 'POST /user-invitations': wrongAt('email', 'Already works here') });
    await user.keyboard('{Enter}');
    await waitFor(() => expect(screen.getByRole('textbox', { name: 'Email' })).toHaveAccessibleDescription('Already works here'));
  });

  test('one that is open is sent again or withdrawn; one whose email failed says so', async () => {
    const { user, asked } = open({
      'GET /user-invitations': {
        email_connected: true,
        items: [{ ...OPEN, mail_error: 'the mail server could not be reached' }],
      },
      'POST /user-invitations/8/resend': { id: '8', link: 'https://ostby.example/join/y8' },
      'DELETE /user-invitations/8': null,
    });
    expect(await screen.findByText(/The email hasn’t gone out: the mail server could not be reached/)).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'liv@ostby.example: new link' }));
    expect(await screen.findByText('https://ostby.example/join/y8')).toBeVisible();
    expect(sentTo(asked, 'POST /user-invitations/8/resend')).toEqual({ by: 'link' });
    await user.click(screen.getByRole('button', { name: 'liv@ostby.example: withdraw the invitation' }));
    expect(await screen.findByText('Withdrawn. Its link no longer works.')).toBeVisible();
  });

  test('one that ran out says so', async () => {
    open({ 'GET /user-invitations': { email_connected: true, items: [{ ...OPEN, ended: true }] } });
    expect(await screen.findByText('The invitation ran out. Send it again.')).toBeVisible();
  });
});

describe('a user', () => {
  test('gets another role and office', async () => {
    const { user, asked } = open({ 'PATCH /users/2': null });
    await user.click(screen.getByRole('button', { name: 'Nils Frost: edit' }));
    await screen.findByRole('option', { name: 'Harbor' });
    await user.selectOptions(screen.getByLabelText('Role'), 'Caller');
    await user.selectOptions(screen.getByLabelText('Office'), 'Harbor');
    await user.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(sentTo(asked, 'PATCH /users/2')).toEqual({ role: 'caller', office_id: '5' }));
  });

  test('nobody changes their own role, nor the owner’s; the owner is not deactivated', async () => {
    const { user } = open({}, { id: '4', role: 'admin' });
    expect(screen.queryByRole('button', { name: 'Maren Ostby: deactivate' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Ada Quill: deactivate' })).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Ada Quill: edit' }));
    expect(await screen.findByLabelText('Role')).toBeDisabled();
    expect(screen.queryByRole('button', { name: /Transfer ownership/ })).toBeNull();
  });

  test('is logged out everywhere by an admin; the owner is not, nor they themselves', async () => {
    const { user, asked } = open({ 'DELETE /users/2/sessions': { ended: 2 } }, { id: '4', role: 'admin' });
    for (const name of ['Maren Ostby', 'Ada Quill']) {
      await user.click(screen.getByRole('button', { name: `${name}: edit` }));
      await screen.findByRole('dialog', { name });
      expect(screen.queryByRole('button', { name: 'Log out everywhere' })).toBeNull();
      await user.keyboard('{Escape}');
    }
    await user.click(screen.getByRole('button', { name: 'Nils Frost: edit' }));
    await user.click(await screen.findByRole('button', { name: 'Log out everywhere' }));
    expect(await screen.findByText('Nils Frost is logged out everywhere.')).toBeVisible();
    expect(asked.some(({ route }) => route === 'DELETE /users/2/sessions')).toBe(true);
  });

  test('the owner hands the brokerage to an admin, after a question', async () => {
    const { user, asked } = open({ 'POST /users/4/ownership': null });
    await user.click(screen.getByRole('button', { name: 'Ada Quill: edit' }));
    await user.click(await screen.findByRole('button', { name: 'Transfer ownership to Ada Quill…' }));
    const dialog = within(await screen.findByRole('dialog', { name: 'Transfer ownership to Ada Quill?' }));
    await user.click(dialog.getByRole('button', { name: 'Transfer ownership' }));
    expect(await screen.findByText('Ada Quill owns the brokerage now. You’re an admin.')).toBeVisible();
    expect(asked.some(({ route }) => route === 'POST /users/4/ownership')).toBe(true);
  });
});

describe('offices', () => {
  test('one is added, renamed and removed; where somebody works it stays, and says why', async () => {
    const asked = answering({
      ...API,
      'POST /offices': { id: '9', name: 'Point', users: 0 },
      'PATCH /offices/5': null,
      'DELETE /offices/3': refusal(409, { code: 'conflict', detail: '2 users work at Main. Move them to another office first.' }),
    });
    const { user } = show(<Offices />);
    await user.type(await screen.findByLabelText('New office'), 'Point{Enter}');
    await waitFor(() => expect(sentTo(asked, 'POST /offices')).toEqual({ name: 'Point' }));
    await user.click(await screen.findByRole('button', { name: 'Harbor: rename' }));
    const name = await screen.findByLabelText('Name');
    await user.clear(name);
    await user.type(name, 'Quay{Enter}');
    await waitFor(() => expect(sentTo(asked, 'PATCH /offices/5')).toEqual({ name: 'Quay' }));
    await user.click(screen.getByRole('button', { name: 'Main: remove' }));
    expect(await screen.findByText('2 users work at Main. Move them to another office first.')).toBeVisible();
  });
});
