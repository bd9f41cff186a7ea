/** The Dossier at a glance: who it is, why now, what comes next, what is permitted; stage and horizon changed where they stand; keys that open what one does. */
import { screen, waitFor, within } from '@testing-library/react';
import { ODALYS, WORDS } from '../../../tests/harness/people-of-forms';
import { answering, refusal, sentTo, show } from '../../../tests/harness/render';
import { CallingProvider } from '../primitives';
import { CalendarDialog } from './calendar-dialog';
import { Dossier } from './dossier';
import type { ContactInFull } from './types';

const PATCH = 'PATCH /contacts/5';
const PERSON = {
  ...ODALYS,
  address_errors: { 'odalys@kelp.example': 'bounced' },
  created_at: '2026-11-20T20:00:00Z',
  owned_since: '2026-11-21T20:00:00Z',
  calls: { attempts: 1, reached: 0, talk_seconds: 0 },
  home_search: { last_visit_at: null, saved_homes: 0 },
  campaigns_held: false,
  hand_raised_at: null,
  next_touch: { at: '2026-11-22T18:00:00Z', kind: 'promise', note: 'Send the comps' },
  pinned_note: { id: '8', text: 'Prefers evenings', by: 'Asta Lund', at: '2026-11-20T20:00:00Z' },
} as unknown as ContactInFull;
const start = (person: Partial<ContactInFull> = {}, { answers = {}, readOnly = false, calling = true } = {}) => {
  const asked = answering({
    'GET /contacts/5': { ...PERSON, ...person },
    'GET /contacts/5/timeline': { items: [], next_cursor: null },
    'GET /contacts/5/enrollments': { items: [] },
    'GET /contacts/5/merges': { items: [] },
    'GET /vocabulary': WORDS,
    'GET /tags': { items: [] },
    'GET /preferences': {},
    'GET /templates': { items: [] },
    'PUT /preferences': {},
    ...answers,
  });
  const onClose = jest.fn();
  const shown = show(
    <CallingProvider calling={calling}>
      <Dossier contactId="5" readOnly={readOnly} onClose={onClose} />
    </CallingProvider>,
  );
  return { asked, onClose, ...shown };
};
const dossier = () => screen.findByRole('article', { name: 'Dossier of Odalys Brandt' });

test('who it is, what is due and what is known of the addresses stands at the top', async () => {
  start();
  const one = await dossier();
  expect(one).toHaveTextContent('with Asta Lund since Nov 21');
  expect(one).toHaveTextContent('(360) 555-0142 x12');
  expect(one).toHaveTextContent('odalys@kelp.example bounced');
  expect(one).toHaveTextContent('Send the comps');
  expect(within(one).getByRole('note', { name: 'Pinned note' })).toHaveTextContent('Prefers evenings');
});

test('a stage is changed where it stands, with a way back', async () => {
  const { user, asked } = start({}, { answers: { [PATCH]: PERSON } });
  await user.click(await screen.findByRole('button', { name: 'Stage: Talking' }));
  await user.click(await screen.findByRole('menuitem', { name: 'New' }));
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ stage: 'new' }));
  expect(await screen.findByText(/^Stage: New\./)).toBeVisible();
  await user.click(screen.getByRole('button', { name: /^Undo/ }));
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ stage: 'talking' }));
});

test('a horizon is taken away as well as chosen', async () => {
  const { user, asked } = start({}, { answers: { [PATCH]: PERSON } });
  await user.click(await screen.findByRole('button', { name: 'Horizon: Hot' }));
  await user.click(await screen.findByRole('menuitem', { name: 'No horizon' }));
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ horizon: null }));
});

test('keys open what one does; Esc closes that first and the person then', async () => {
  const { user, onClose } = start();
  await dossier();
  await user.keyboard('o');
  const note = await screen.findByRole('textbox', { name: 'Note' });
  expect(note).toHaveFocus();
  await user.keyboard('Wants a slip for the boat{Escape}');
  await waitFor(() => expect(screen.queryByRole('textbox', { name: 'Note' })).toBeNull());
  expect(onClose).not.toHaveBeenCalled();
  await user.keyboard('{Escape}');
  expect(onClose).toHaveBeenCalled();
});

test('calling that is refused says why, and offers nothing to hang up', async () => {
  const { user } = start(
    {},
    { answers: { 'POST /contacts/5/calls': refusal(409, { code: 'touch_refused', detail: 'It’s 6 AM for them.' }) } },
  );
  await user.click(await screen.findByTitle('Call (c)'));
  expect(await screen.findByText('It’s 6 AM for them.')).toBeVisible();
  expect(screen.queryByRole('button', { name: /Hang up/ })).toBeNull();
});

test('without a phone network a number dials by the phone itself', async () => {
  start({}, { calling: false });
  expect(await screen.findByRole('link', { name: /Call/ })).toHaveAttribute('href', 'tel:+13605550142');
  expect(screen.getByRole('link', { name: /\(360\) 555-0142/ })).toHaveAttribute('href', 'tel:+13605550142');
});

test('do not contact is marked for the person, and taken back', async () => {
  const { user, asked } = start({}, { answers: { [PATCH]: PERSON } });
  await user.click(await screen.findByRole('button', { name: 'Do not contact…' }));
  expect(screen.queryByRole('menuitem', { name: /household/ })).toBeNull();
  await user.click(await screen.findByRole('menuitem', { name: 'Mark do not contact' }));
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ do_not_contact: true }));
  expect(await screen.findByText('Marked do not contact.')).toBeVisible();
  await user.click(screen.getByRole('button', { name: /^Undo/ }));
  await waitFor(() => expect(sentTo(asked, PATCH)).toEqual({ do_not_contact: false }));
});

test('the pinned note is unpinned; a long one is opened', async () => {
  const long = `${'A slip, a porch, a yard. '.repeat(10)}And a dock.`;
  const { user, asked } = start(
    { pinned_note: { ...PERSON.pinned_note!, text: long } },
    { answers: { 'PUT /contacts/5/pinned-note': {} } },
  );
  const note = within(await screen.findByRole('note', { name: 'Pinned note' }));
  expect(note.queryByText(/And a dock\./)).toBeNull();
  await user.click(note.getByRole('button', { name: 'More' }));
  expect(note.getByText(/And a dock\./)).toBeVisible();
  await user.click(note.getByRole('button', { name: 'Unpin' }));
  await waitFor(() => expect(sentTo(asked, 'PUT /contacts/5/pinned-note')).toEqual({ note_id: null }));
});

describe('campaigns', () => {
  const open = async (answers: object) => {
    const shown = start({}, { answers });
    await shown.user.click(await screen.findByRole('tab', { name: /Campaigns/ }));
    return shown;
  };
  const ACTIVE = {
    id: '61',
    state: 'active',
    because: null,
    campaign: { id: '3', name: 'New buyer' },
    next: { at: '2026-11-24T18:00:00Z', channel: 'text', waits: false },
  };

  test('what comes next of each; one is stopped', async () => {
    const { user, asked } = await open({
      'GET /contacts/5/enrollments': { items: [ACTIVE] },
      'POST /enrollments/61/stop': {},
    });
    expect(await screen.findByText(/^Next: text, Tue, Nov 24 10:00 AM/)).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'Stop New buyer for them' }));
    await waitFor(() => expect(asked.map(({ route }) => route)).toContain('POST /enrollments/61/stop'));
    expect(await screen.findByText('Stopped the campaign for them.')).toBeVisible();
  });

  test('all are held, and another is begun', async () => {
    const { user, asked } = await open({ 'PUT /contacts/5/campaigns-held': {}, 'POST /contacts/5/enrollments': {} });
    await user.click(await screen.findByRole('button', { name: 'Hold all campaigns' }));
    await waitFor(() => expect(sentTo(asked, 'PUT /contacts/5/campaigns-held')).toEqual({ held: true }));
    await user.click(screen.getByRole('combobox', { name: 'Add to a campaign' }));
    await user.click(await screen.findByRole('option', { name: 'New buyer' }));
    await waitFor(() => expect(sentTo(asked, 'POST /contacts/5/enrollments')).toEqual({ campaign_id: '3' }));
  });
});

test('who may only read is offered nothing to do', async () => {
  start({}, { readOnly: true });
  const one = within(await dossier());
  expect(one.queryByRole('toolbar', { name: 'Actions' })).toBeNull();
  expect(one.queryByRole('button', { name: 'Stage: Talking' })).toBeNull();
  expect(one.queryByRole('button', { name: 'Unpin' })).toBeNull();
});

test('someone who is not there is said in words', async () => {
  start(
    {},
    { answers: { 'GET /contacts/5': refusal(404, { code: 'not_found', detail: 'Not found, or you don’t have access.' }) } },
  );
  expect(await screen.findByRole('alert')).toHaveTextContent('Not found, or you don’t have access.');
});

test('the address of one’s dates is shown once, copied, and revoked', async () => {
  const asked = answering({
    'GET /calendar': { feed: { made_at: '2026-11-01T18:00:00Z', read_at: null } },
    'POST /calendar': { url: 'https://urraca.example/calendar/x7' },
    'DELETE /calendar': {},
  });
  const { user } = show(<CalendarDialog onClose={jest.fn()} />);
  expect(await screen.findByText(/not read yet/)).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Replace the address' }));
  expect(await screen.findByText('https://urraca.example/calendar/x7')).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Copy address' }));
  expect(await navigator.clipboard.readText()).toBe('https://urraca.example/calendar/x7');
  await user.click(screen.getByRole('button', { name: 'Revoke' }));
  await waitFor(() => expect(asked.map(({ route }) => route)).toContain('DELETE /calendar'));
  expect(screen.queryByText('https://urraca.example/calendar/x7')).toBeNull();
});
