/** The forms of intake: adding a lead, arranging and making a door, correcting a mail, the fields of a program's door. */
import { screen, waitFor, within } from '@testing-library/react';
import { answering, going, keepsWhatIsTyped, sentTo, show, wrongAt } from '../../../tests/harness/render';
import { AddLeadDialog } from './add-lead';
import { DoorDialog } from './door-form';
import { MailDialog } from './mail-dialog';
import { NewDoor, NewDoorDialog } from './new-door';
import { ProgramDoor } from './program-door';
import type { DoorJson } from './shapes';

const DOOR: DoorJson = {
  id: '7',
  kind: 'api',
  name: 'Our website',
  slug: null,
  address: 'https://urraca.example/in/abc',
  last_arrival_at: null,
  arrivals_30_days: 0,
  quiet: null,
  source: 'Website',
  defaults: { roles: ['buyer'], tags: ['web'] },
  mapping: {},
  sandbox: false,
};
const WORDS = { names: { horizon: [{ value: 'hot', name: 'Hot' }], campaign: [{ value: '3', name: 'New buyer' }] }, fields: [] };
const MAIL = {
  id: '9',
  state: 'waiting',
  subject: 'New inquiry',
  from: { name: 'Kelp Homes', address: 'leads@kelp.example' },
  because: 'No phone number was found.',
  body: 'Name: Odalys Brandt\nCall me at 360-555-0142\nIs the yard fenced?',
  inquiry: {
    person: { first_name: 'Odalys', last_name: '', emails: ['o@kelp.example'], phones: [] },
    roles: ['buyer'],
    message: '',
  },
};

keepsWhatIsTyped('Add a lead', {
  open: (onClose) => <AddLeadDialog onClose={onClose} />,
  label: 'Email',
  typed: 'odalys@',
  route: 'POST /inquiries',
  answer: { contact: { id: '5', status: 'created' }, routing: { because: 'It went to Asta Lund.' } },
  field: 'person.emails.0',
});
keepsWhatIsTyped('a door', {
  open: (onClose) => <DoorDialog door={DOOR} onClose={onClose} />,
  label: 'Name of the door',
  typed: 'The website',
  route: 'PATCH /doors/7',
  field: 'name',
  answers: { 'GET /vocabulary': WORDS },
});
keepsWhatIsTyped('a new door', {
  open: (onClose) => <NewDoorDialog kind="mail" onClose={onClose} />,
  label: 'Who sends these emails',
  typed: 'Kelp Homes',
  route: 'POST /doors',
  field: 'name',
});
keepsWhatIsTyped('a mail', {
  open: (onClose) => <MailDialog id="9" onClose={onClose} />,
  label: 'Phone',
  typed: '360-555-0142',
  route: 'POST /lead-mails/9/convert',
  answer: { routing: { because: 'It went to Asta Lund.' } },
  field: 'person.phones.0',
  answers: { 'GET /lead-mails/9': MAIL },
});

test('a lead is sent as it was understood, and one goes on to the person', async () => {
  const asked = answering({
    'POST /inquiries': { contact: { id: '5', status: 'created' }, routing: { because: 'It went to Asta Lund.' } },
  });
  const went = going();
  const { user } = show(<AddLeadDialog onClose={jest.fn()} />);
  expect(screen.getByLabelText('First name')).toHaveFocus();
  await user.keyboard('Odalys{Tab}Brandt{Tab}(360) 555.0142 x12{Tab}');
  expect(screen.getByLabelText('Phone')).toHaveValue('(360) 555-0142 x12');
  await user.selectOptions(screen.getByLabelText('Role'), 'Seller');
  await user.type(screen.getByLabelText('What they asked about'), 'What is my house worth?');
  await user.click(screen.getByLabelText('They agreed to calls and texts'));
  await user.click(screen.getByRole('button', { name: 'Add lead' }));
  await waitFor(() => expect(went).toEqual(['/contacts?contact=5']));
  expect(asked[0]!.body).toEqual({
    person: { first_name: 'Odalys', last_name: 'Brandt', emails: [], phones: ['+13605550142 x12'] },
    roles: ['seller'],
    source: 'Added by hand',
    message: 'What is my house worth?',
    place: { city: null },
    permissions: { text: true, call: true },
    on_the_phone: false,
  });
  expect(await screen.findByText('Added. It went to Asta Lund.')).toBeVisible();
});

test('a phone that cannot be read is not sent', async () => {
  const asked = answering({});
  const { user } = show(<AddLeadDialog onClose={jest.fn()} />);
  await user.type(screen.getByLabelText('Phone'), 'ask her{Enter}');
  expect(await screen.findByText('Enter a phone number like (360) 555-0142')).toBeVisible();
  expect(screen.getByLabelText('Phone')).toHaveAttribute('aria-invalid', 'true');
  expect(asked).toEqual([]);
});

test('a lead without a way to reach them: it is said at the phone', async () => {
  answering({ 'POST /inquiries': wrongAt('person', 'needs a phone number or an email') });
  const { user } = show(<AddLeadDialog onClose={jest.fn()} />);
  await user.type(screen.getByLabelText('First name'), 'Odalys{Enter}');
  await waitFor(() => expect(screen.getByLabelText('Phone')).toHaveAttribute('aria-invalid', 'true'));
  expect(screen.getByText('Needs a phone number or an email')).toBeVisible();
});

test('half a lead is there again after a reload', async () => {
  answering({});
  const first = show(<AddLeadDialog onClose={jest.fn()} />);
  await first.user.type(screen.getByLabelText('Last name'), 'Brandt');
  await waitFor(() => expect(localStorage.length).toBe(1));
  first.unmount();
  show(<AddLeadDialog onClose={jest.fn()} />);
  await waitFor(() => expect(screen.getByLabelText('Last name')).toHaveValue('Brandt'));
});

test('what a door gives is sent whole', async () => {
  const asked = answering({ 'GET /vocabulary': WORDS, 'PATCH /doors/7': {} });
  const { user } = show(<DoorDialog door={DOOR} onClose={jest.fn()} />);
  await user.selectOptions(screen.getByLabelText('Role, if none is given'), 'none');
  await screen.findByRole('option', { name: 'Hot' });
  await user.selectOptions(screen.getByLabelText('Horizon for new contacts'), 'Hot');
  await user.selectOptions(screen.getByLabelText('Campaign, unless a rung starts one'), 'New buyer');
  await user.type(screen.getByLabelText('Tags, separated by commas'), ' , coast{Enter}');
  await waitFor(() => expect(sentTo(asked, 'PATCH /doors/7')).toBeDefined());
  expect(sentTo(asked, 'PATCH /doors/7')).toEqual({
    name: 'Our website',
    source: 'Website',
    defaults: { roles: [], tags: ['web', 'coast'], on_the_phone: false, horizon: 'hot', campaign_id: '3' },
  });
});

test('each kind of new door says what one gets', async () => {
  answering({});
  const { user } = show(<NewDoor />);
  await user.click(screen.getByRole('button', { name: 'Add a door for programs' }));
  const dialog = await screen.findByRole('dialog', { name: 'Add a door for programs' });
  expect(within(dialog).getByLabelText('Who sends these leads')).toHaveAccessibleDescription(/web address that accepts JSON/);
  expect(within(dialog).getByRole('button', { name: 'Create' })).toBeDisabled();
});

test('what was typed otherwise than it was read, and stands in the mail, is a lesson', async () => {
  const asked = answering({ 'GET /lead-mails/9': MAIL, 'POST /lead-mails/9/convert': { routing: { because: '' } } });
  const { user } = show(<MailDialog id="9" onClose={jest.fn()} />);
  await user.type(await screen.findByLabelText('Last name'), 'Brandt');
  await user.type(screen.getByLabelText('Their message'), 'Call tonight');
  await user.click(screen.getByRole('button', { name: 'Add as a lead' }));
  await waitFor(() => expect(sentTo(asked, 'POST /lead-mails/9/convert')).toBeDefined());
  expect(sentTo(asked, 'POST /lead-mails/9/convert')).toMatchObject({
    person: { first_name: 'Odalys', last_name: 'Brandt', emails: ['o@kelp.example'], phones: [] },
    marks: [{ field: 'last_name', text: 'Brandt' }],
  });
});

test('a mail that is no lead is set aside, and back again', async () => {
  const asked = answering({ 'GET /lead-mails/9': MAIL, 'PATCH /lead-mails/9': {} });
  const onClose = jest.fn();
  const { user } = show(<MailDialog id="9" onClose={onClose} />);
  await user.click(await screen.findByRole('button', { name: 'Not a lead' }));
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  await user.click(await screen.findByRole('button', { name: 'Undo', hidden: true }));
  await waitFor(() => expect(asked.filter(({ route }) => route === 'PATCH /lead-mails/9')).toHaveLength(2));
  expect(sentTo(asked, 'PATCH /lead-mails/9')).toEqual({ state: 'waiting' });
});

test('a field of a program is told what it is; its value is read anew', async () => {
  const asked = answering({
    'GET /doors/7/requests': {
      items: [
        {
          id: '1',
          at: '2026-11-23T18:00:00Z',
          status: 201,
          took_ms: 12,
          sandbox: false,
          content_type: 'application/json',
          body: '{"wer":"Odalys"}',
          answer: {},
        },
      ],
    },
    'POST /doors/7/read': { places: [{ place: 'wer', value: 'Odalys' }], inquiry: {}, errors: [] },
    'PATCH /doors/7': {},
  });
  const { user } = show(<ProgramDoor door={DOOR} />);
  await user.click(screen.getByRole('button', { name: 'Requests and fields' }));
  await user.selectOptions(await screen.findByLabelText('What wer is'), 'first name');
  await user.selectOptions(screen.getByLabelText('Fixed value'), 'tags');
  await user.type(screen.getByLabelText('What tags always is'), 'web');
  await user.click(screen.getByRole('checkbox', { name: /^Test mode/ }));
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() =>
    expect(sentTo(asked, 'PATCH /doors/7')).toEqual({
      mapping: { first_name: { place: 'wer' }, tags: { words: 'web' } },
      sandbox: true,
    }),
  );
});
