/** What is known about a contact, each changed where it stands: what is typed as people say it, what is sent of it, and the way back. */
import { screen, waitFor, within } from '@testing-library/react';
import { address, ODALYS, WORDS } from '../../../tests/harness/people-of-forms';
import { answering, refusal, sentTo, show, wrongAt } from '../../../tests/harness/render';
import { Facts } from './facts';
import type { ContactInFull } from './types';

const PATCH = 'PATCH /contacts/5';
const IN_FULL = {
  ...ODALYS,
  address_errors: {},
  created_at: '2026-03-02T20:00:00Z',
  calls: { attempts: 3, reached: 1, talk_seconds: 420 },
  home_search: { last_visit_at: '2026-11-20T20:00:00Z', saved_homes: 1 },
  campaigns_held: false,
  dates: [{ kind: 'birthday', label: '', on: '--03-01', next: '2027-03-01' }],
  fields: { '1': 'Sail' },
} as unknown as ContactInFull;
const API = {
  'GET /vocabulary': WORDS,
  'GET /tags': {
    items: [
      { id: '1', name: 'coast', color: 'teal' },
      { id: '2', name: 'boat', color: 'sand' },
    ],
  },
  'GET /contacts/5/merges': { items: [] },
  [PATCH]: IN_FULL,
};
const facts = (changed: Partial<ContactInFull> = {}, readOnly = false) =>
  show(<Facts contact={{ ...IN_FULL, ...changed }} readOnly={readOnly} />);
/** Opens a fact by its label, writes over it and saves. */
async function write(user: ReturnType<typeof show>['user'], label: string, typed: string): Promise<HTMLElement> {
  await user.click(screen.getByTitle(`Change: ${label}`));
  const field = await screen.findByLabelText(label);
  await user.clear(field);
  await user.type(field, typed);
  return field;
}

test.each([
  ['First name', 'Odette{Enter}', { first_name: 'Odette' }],
  ['ZIP', '98731{Enter}', { place: { postal_code: '98731' } }],
  ['Max price', '650k{Enter}', { wants: { bedrooms: 3, price_max: 650_000 } }],
  ['Bathrooms', '2+{Enter}', { wants: { bedrooms: 3, bathrooms: 2 } }],
  ['Areas', 'Saltmarsh, 98731{Enter}', { wants: { bedrooms: 3, areas: ['Saltmarsh', '98731'] } }],
  [
    'In their words',
    'A dock for the boat.{Control>}{Enter}{/Control}',
    { wants: { bedrooms: 3, words: 'A dock for the boat.' } },
  ],
])('%s is typed as people say it', async (label, typed, sent) => {
  const asked = answering(API);
  const { user } = facts();
  await write(user, label, typed);
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual(sent));
  await waitFor(() => expect(screen.queryByRole('textbox', { name: label })).toBeNull());
});

test.each([
  ['Min price', 'half a mill', 'Enter a price like $400,000 or 400k.'],
  ['Bedrooms', 'many', 'Enter a number like 3.'],
])('%s that cannot be read is said at its field and not sent', async (label, typed, said) => {
  const asked = answering(API);
  const { user } = facts();
  const field = await write(user, label, `${typed}{Enter}`);
  expect(await screen.findByText(said)).toBeVisible();
  expect(field).toHaveValue(typed);
  expect(sentTo(asked, PATCH)).toBeUndefined();
});

const TWO_PHONES = {
  addresses: {
    phones: [
      address('+13605550142', { kind: 'cell' }),
      address('+13605550143', { label: 'Front desk', shared_with: [{ id: '6', name: 'Bram Brandt' }] }),
    ],
    emails: [],
  },
};
const OLD = [
  { value: '(360) 555-0142', kind: 'cell', label: null, state: 'good' },
  { value: '(360) 555-0143', kind: null, label: 'Front desk', state: 'good' },
];

test('a phone is added with its kind; what the server refuses is said at its field, and what was typed stays', async () => {
  const asked = answering({ ...API, [PATCH]: wrongAt('phones.1', '“12” isn’t a phone number') });
  const { user } = facts();
  await user.click(screen.getByRole('button', { name: 'Add phone' }));
  const form = within(screen.getByRole('form', { name: 'Add phone' }));
  await user.type(form.getByLabelText('Phone'), '12');
  await user.selectOptions(form.getByLabelText('Kind'), 'work');
  await user.type(form.getByLabelText('Label'), 'Front desk{Enter}');
  expect(await form.findByText('“12” isn’t a phone number')).toBeVisible();
  expect(form.getByLabelText('Phone')).toHaveValue('12');
  expect(sentTo(asked, PATCH)).toEqual({
    phones: [
      { value: '(360) 555-0142 x12', kind: 'cell', label: null, state: 'good' },
      { value: '12', kind: 'work', label: 'Front desk' },
    ],
  });
  await user.keyboard('{Escape}');
  expect(screen.queryByRole('form')).toBeNull();
});

test('who shares a number stands with it; it is put first, marked wrong and removed, each with Undo', async () => {
  const asked = answering(API);
  const { user } = facts(TWO_PHONES);
  expect(screen.getByText('Front desk · shared with Bram Brandt')).toBeVisible();
  const choose = async (name: RegExp) => {
    await user.click(screen.getByRole('button', { name: 'More for (360) 555-0143' }));
    await user.click(await screen.findByRole('menuitem', { name }));
  };
  await choose(/Make it the first/);
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ phones: OLD.toReversed() }));
  await choose(/Wrong number/);
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ phones: [OLD[0], { ...OLD[1], state: 'wrong' }] }));
  await choose(/Remove/);
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ phones: [OLD[0]] }));
  await user.click((await screen.findAllByRole('button', { name: /Undo/ })).at(-1)!);
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ phones: OLD }));
});

test('a changed number has no state from the one before', async () => {
  const asked = answering(API);
  const wrong = address('+13605550143', { state: 'wrong' });
  const { user } = facts({ addresses: { phones: [wrong], emails: [] } });
  await user.click(screen.getByTitle('Change: (360) 555-0143'));
  await user.clear(screen.getByLabelText('Phone'));
  await user.type(screen.getByLabelText('Phone'), '360 555 0199{Enter}');
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ phones: [{ value: '360 555 0199', kind: null, label: null }] }));
});

test('letters go where somebody says, and home again when it is emptied', async () => {
  const asked = answering(API);
  const { user } = facts();
  await user.click(screen.getByTitle('Change: Mailing'));
  const form = within(screen.getByRole('form', { name: 'Mailing' }));
  await user.type(form.getByLabelText('Street'), '9 Pier Road{Enter}');
  await waitFor(() =>
    expect(sentTo(asked, PATCH)).toEqual({ mailing: { street: '9 Pier Road', city: '', region: '', postal_code: '' } }),
  );
  await user.click(await screen.findByRole('button', { name: /Undo/ }));
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ mailing: null }));
});

test('Esc leaves a fact as it was', async () => {
  const asked = answering(API);
  const { user } = facts();
  await write(user, 'City', 'Petrel Point{Escape}');
  await waitFor(() => expect(screen.queryByRole('textbox', { name: 'City' })).toBeNull());
  expect(screen.getByTitle('Change: City')).toHaveTextContent('Saltmarsh');
  expect(sentTo(asked, PATCH)).toBeUndefined();
});

test('a role is added and taken from a menu', async () => {
  const asked = answering(API);
  const { user } = facts();
  await user.click(screen.getByRole('button', { name: 'Buyer' }));
  await user.click(await screen.findByRole('menuitem', { name: 'Seller' }));
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ roles: ['buyer', 'seller'] }));
  await user.click(screen.getByRole('button', { name: 'Buyer' }));
  await user.click(await screen.findByRole('menuitem', { name: /Buyer/ }));
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ roles: [] }));
});

test('fields of one’s own are changed as their kind is', async () => {
  const asked = answering(API);
  const { user } = facts();
  await user.selectOptions(await screen.findByLabelText('Boat'), 'Motor');
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ fields: { '1': 'Motor' } }));
  await user.click(screen.getByRole('checkbox', { name: 'Insured' }));
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ fields: { '3': true } }));
  await user.type(screen.getByLabelText('Moved in'), 'May 5, 2024{Tab}');
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ fields: { '4': '2024-05-05' } }));
  await write(user, 'Nickname', 'Oda{Enter}');
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ fields: { '5': 'Oda' } }));
});

test('what was not saved is said in words', async () => {
  answering({ ...API, [PATCH]: refusal(409, { code: 'conflict', detail: 'Berit Moss changed it a moment ago.' }) });
  const { user } = facts();
  await user.click(await screen.findByRole('checkbox', { name: 'Insured' }));
  expect(await screen.findByText('Berit Moss changed it a moment ago.')).toBeVisible();
});

test('someone joins the household by name, and can be taken out again', async () => {
  const asked = answering({
    ...API,
    'GET /contacts': {
      items: [{ ...IN_FULL, id: '9', first_name: 'Jago', place: { street: '14 Heron Lane', city: 'Saltmarsh' } }, IN_FULL],
    },
    'PUT /contacts/5/household': {},
    'DELETE /contacts/9/household': {},
  });
  const { user } = facts();
  expect(screen.getByText('No one else in this household.')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Add spouse or partner' }));
  await user.type(screen.getByRole('combobox', { name: 'Who shares the household' }), 'Ja');
  await user.click(await screen.findByRole('option', { name: /^Jago Brandt/ }));
  await waitFor(() => expect(sentTo(asked, 'PUT /contacts/5/household')).toEqual({ other_id: '9' }));
  expect(await screen.findByText('Jago Brandt added to the household.')).toBeVisible();
  await user.click(screen.getByRole('button', { name: /^Undo/ }));
  await waitFor(() => expect(asked.map(({ route }) => route)).toContain('DELETE /contacts/9/household'));
});

test('who was merged can be separated', async () => {
  const asked = answering({
    ...API,
    'GET /contacts/5/merges': { items: [{ id: '31', gone: 'Oda Brandt', at: '2026-11-01T20:00:00Z', by: 'Asta Lund' }] },
    'POST /merges/31/undo': {},
  });
  const { user } = facts();
  expect(await screen.findByText('Nov 1, Asta Lund')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Separate' }));
  await waitFor(() => expect(asked.map(({ route }) => route)).toContain('POST /merges/31/undo'));
  expect(await screen.findByText(/^Oda Brandt is a separate contact again/)).toBeVisible();
});

test('the history says it in sentences', () => {
  answering(API);
  facts();
  const history = within(screen.getByRole('region', { name: 'History' }));
  expect(history.getByText(/3 attempts, reached once/)).toHaveTextContent('3 attempts, reached once, 7 min talk time');
  expect(history.getByText(/last visit/)).toHaveTextContent('last visit Nov 20, 1 saved home');
});

test('who may only read is offered nothing to change', async () => {
  answering(API);
  facts({}, true);
  expect(await screen.findByText('Sail')).toBeVisible();
  expect(screen.queryAllByRole('button')).toEqual([]);
  expect(screen.queryByRole('checkbox')).toBeNull();
});

test('a tag is added by typing it, and taken away with a way back', async () => {
  const asked = answering(API);
  const { user } = facts();
  await user.click(screen.getByRole('button', { name: '+ Tag' }));
  await user.type(await screen.findByRole('combobox', { name: 'Add a tag' }), 'boa');
  await user.click(await screen.findByRole('option', { name: /boat/ }));
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ tags: ['coast', 'boat'] }));
  expect(await screen.findByText('Tag “boat” added.')).toBeVisible();
  await user.click(screen.getByRole('button', { name: /^Remove.*coast/ }));
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ tags: [] }));
  await user.click((await screen.findAllByRole('button', { name: /^Undo/ })).at(-1)!);
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ tags: ['coast'] }));
});
