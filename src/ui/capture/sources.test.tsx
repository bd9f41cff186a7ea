/** Intake's side: sources to keep or to merge, new senders with or without a door of their own, the address of a door. */
import { screen, waitFor, within } from '@testing-library/react';
import { WORDS } from '../../../tests/harness/people-of-forms';
import { answering, refusal, sentTo, show } from '../../../tests/harness/render';
import { Doors } from './doors';
import { Senders } from './senders';
import { Sources } from './sources';
import type { DoorJson } from './shapes';

const source = (id: string, name: string, state: string, more: object = {}) => ({
  id,
  name,
  state,
  people: 3,
  first_at: '2026-11-23T17:24:00Z',
  merge_id: null,
  into_name: null,
  ...more,
});
const SOURCES = {
  'GET /sources': {
    items: [
      source('1', 'Brackwater', 'known'),
      source('2', 'brackwater.example', 'proposed'),
      source('3', 'Brack', 'merged', { merge_id: '31', into_name: 'Brackwater' }),
    ],
  },
};

describe('sources', () => {
  test('a new name is kept as our own', async () => {
    const asked = answering({ ...SOURCES, 'PATCH /sources/2': {} });
    const { user } = show(<Sources />);
    await user.click(await screen.findByRole('button', { name: 'brackwater.example is one of our sources' }));
    await waitFor(() => expect(asked.map(({ route }) => route)).toContain('PATCH /sources/2'));
  });

  test('or is the same as one that is known, which Undo separates again', async () => {
    const asked = answering({
      ...SOURCES,
      'POST /sources/2/merge': { id: '40', people: 1 },
      'POST /source-merges/40/undo': {},
    });
    const { user } = show(<Sources />);
    await user.click(await screen.findByRole('combobox', { name: 'brackwater.example is the same as' }));
    await user.click(await screen.findByRole('option', { name: 'Brackwater' }));
    await waitFor(() => expect(sentTo(asked, 'POST /sources/2/merge')).toEqual({ into_id: '1' }));
    expect(await screen.findByText('One source now; 1 person moved.')).toBeVisible();
    await user.click(screen.getByRole('button', { name: /^Undo/ }));
    await waitFor(() => expect(asked.map(({ route }) => route)).toContain('POST /source-merges/40/undo'));
  });

  test('all of them stand in a list, where an earlier merge is taken back', async () => {
    const asked = answering({ ...SOURCES, 'POST /source-merges/31/undo': {} });
    const { user } = show(<Sources />);
    await user.click(await screen.findByRole('button', { name: 'All 1' }));
    const dialog = within(await screen.findByRole('dialog', { name: 'Lead sources' }));
    expect(dialog.getByText('now called “Brackwater”')).toBeVisible();
    await user.click(dialog.getByRole('button', { name: 'Separate' }));
    await waitFor(() => expect(asked.map(({ route }) => route)).toContain('POST /source-merges/31/undo'));
  });

  test('what is refused is said', async () => {
    answering({ ...SOURCES, 'PATCH /sources/2': refusal(409, { code: 'conflict', detail: 'It was merged a moment ago.' }) });
    const { user } = show(<Sources />);
    await user.click(await screen.findByRole('button', { name: 'brackwater.example is one of our sources' }));
    expect(await screen.findByText('It was merged a moment ago.')).toBeVisible();
  });
});

describe('new senders', () => {
  const SENDERS = {
    'GET /senders': {
      items: [
        {
          id: '5',
          name: 'Harbor Homes',
          domain: 'harbor.example',
          mails: 1,
          first_at: '2026-11-23T17:24:00Z',
          door: { id: '2', name: 'Portals' },
        },
      ],
    },
  };
  test.each([
    ['Separate door for harbor.example', true, /^Mail from harbor\.example now comes in through its own door/],
    ['harbor.example belongs to Portals', false, 'harbor.example belongs to “Portals”.'],
  ])('%s', async (name, own, said) => {
    const asked = answering({ ...SENDERS, 'PATCH /senders/5': {} });
    const { user } = show(<Senders />);
    expect(await screen.findByText(/1 email to “Portals”/)).toBeVisible();
    await user.click(screen.getByRole('button', { name }));
    await waitFor(() => expect(sentTo(asked, 'PATCH /senders/5')).toEqual({ own_door: own }));
    expect(await screen.findByText(said)).toBeVisible();
  });

  test('without any there is nothing to see', async () => {
    const asked = answering({ 'GET /senders': { items: [] } });
    show(<Senders />);
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(screen.queryByText('New senders')).toBeNull();
  });
});

describe('doors', () => {
  const MAILBOX = {
    id: '2',
    name: 'Portals',
    kind: 'mail',
    slug: null,
    address: 'portals-x7@in.urraca.example',
    source: 'Brackwater',
    defaults: { roles: ['buyer'], tags: ['portal'], campaign_id: '3', horizon: 'hot' },
    last_arrival_at: '2026-11-23T17:24:00Z',
    arrivals_30_days: 1_240,
    quiet: 'Quiet for 3 days; usually 12 leads a day.',
  } as unknown as DoorJson;
  const API = { 'GET /vocabulary': WORDS, 'GET /doors': { items: [MAILBOX] } };

  test('each says what it gives, when it was last used, and when it is quiet', async () => {
    answering(API);
    show(<Doors doors={[MAILBOX]} office={false} />);
    const doors = screen.getByRole('region', { name: 'Doors' });
    await waitFor(() => expect(doors).toHaveTextContent('horizon Hot'));
    expect(doors).toHaveTextContent('source “Brackwater” · role buyer unless said · tagged portal');
    expect(doors).toHaveTextContent('starts “New buyer” unless a rung starts one');
    expect(doors).toHaveTextContent('1,240');
    expect(doors).toHaveTextContent('Quiet for 3 days');
    expect(screen.queryByRole('button', { name: 'Edit' })).toBeNull();
  });

  test('its address is copied', async () => {
    answering(API);
    const { user } = show(<Doors doors={[MAILBOX]} office />);
    await user.click(within(screen.getByRole('region', { name: 'Doors' })).getByRole('button', { name: /^Copy/ }));
    expect(await navigator.clipboard.readText()).toBe('portals-x7@in.urraca.example');
  });
});
