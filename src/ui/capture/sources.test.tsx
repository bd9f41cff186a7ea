/** Lead sources: where their leads go, made, kept, merged, copied to; new senders with or without a door of their own, the address of a door. */
import { screen, waitFor, within } from '@testing-library/react';
import { WORDS } from '../../../tests/harness/people-of-forms';
import { answering, refusal, sentTo, show, type Answers } from '../../../tests/harness/render';
import { Doors } from './doors';
import { Senders } from './senders';
import { NewSources } from './new-sources';
import { Sources } from './sources';
import type { DoorJson } from './shapes';

const ROUTE = {
  rung: { id: '1', position: 1, who: 'Buyers' },
  to: 'Coast agents',
  campaign: 'New buyer',
  lender: 'Hollis Brandt',
  tags: ['portal'],
  always: false,
};
const NET = { rung: null, to: 'Ines Kolar', campaign: null, lender: null, tags: [], always: true };
const source = (id: string, name: string, state: string, more: object = {}) => ({
  id,
  name,
  state,
  people: 3,
  first_at: '2026-11-23T17:24:00Z',
  merge_id: null,
  into_name: null,
  routes: [NET],
  last_lead: null,
  leads_30_days: 0,
  quiet: null,
  ...more,
});
const LAST = { inquiry_id: '70', contact_id: '9', name: 'Oda Fenn', at: '2026-11-23T17:24:00Z' };
const SOURCES = {
  'GET /sources': {
    items: [
      source('1', 'Brackwater', 'known', {
        routes: [ROUTE, NET],
        last_lead: LAST,
        leads_30_days: 12,
        quiet: 'No leads for 3 days.',
      }),
      source('2', 'brackwater.example', 'proposed'),
      source('3', 'Brack', 'merged', { merge_id: '31', into_name: 'Brackwater', routes: [] }),
      source('4', 'Forwarded by Maren', 'none', { routes: [] }),
    ],
  },
};

const more = async (user: ReturnType<typeof show>['user'], name: string, choice: string) => {
  await user.click(await screen.findByRole('button', { name: `More for ${name}` }));
  await user.click(await screen.findByRole('menuitem', { name: choice }));
};

describe('sources', () => {
  test('each says who gets its leads and what comes with it, how many came, and that it is quiet', async () => {
    answering(SOURCES);
    show(<Sources />);
    const table = within(await screen.findByRole('table', { name: 'Lead sources' }));
    const [, first, second] = table.getAllByRole('row');
    expect(first).toHaveTextContent('Brackwater 3 peopleCoast agents · rung 1New buyer · Hollis Brandt · #portal');
    expect(first).toHaveTextContent('or Ines Kolar, by what they ask for');
    expect(first).toHaveTextContent('quiet12');
    expect(second).toHaveTextContent('brackwater.example new');
    expect(second).toHaveTextContent('none yet0');
    expect(table.queryByText('Brack')).toBeNull();
  });

  test('its last lead says how it went', async () => {
    answering({
      ...SOURCES,
      'GET /inquiries/70/trace': { rungs: [], steps: [{ at: '2026-11-23T17:24:00Z', text: 'To Asta Lund.' }] },
    });
    const { user } = show(<Sources />);
    await user.click(await screen.findByRole('button', { name: 'Last lead of Brackwater: Oda Fenn, how it went' }));
    const dialog = within(await screen.findByRole('dialog', { name: 'Last lead from Brackwater' }));
    expect(await dialog.findByText('To Asta Lund.')).toBeVisible();
    expect(dialog.getByRole('link', { name: 'Oda Fenn' })).toHaveAttribute('href', '/contacts/9');
  });

  test('a new name is kept as our own; what is refused is said', async () => {
    const answers: Answers = {
      ...SOURCES,
      'PATCH /sources/2': refusal(409, { code: 'conflict', detail: 'It was merged a moment ago.' }),
    };
    const asked = answering(answers);
    const { user } = show(<Sources />);
    await more(user, 'brackwater.example', 'It’s one of ours');
    expect(await screen.findByText('It was merged a moment ago.')).toBeVisible();
    answers['PATCH /sources/2'] = {};
    await more(user, 'brackwater.example', 'It’s one of ours');
    await waitFor(() => expect(asked.filter(({ route }) => route === 'PATCH /sources/2')).toHaveLength(2));
  });

  test('one that is the same as another is merged once that is confirmed, and Undo separates them', async () => {
    const asked = answering({
      ...SOURCES,
      'POST /sources/2/merge': { id: '40', people: 1 },
      'POST /source-merges/40/undo': {},
    });
    const { user } = show(<Sources />);
    await more(user, 'brackwater.example', 'Merge into another…');
    await user.selectOptions(await screen.findByLabelText('It’s the same as'), 'Brackwater');
    expect(screen.getByText(/^3 people and every lead, door, segment, and rung of “brackwater.example”/)).toBeVisible();
    expect(sentTo(asked, 'POST /sources/2/merge')).toBeUndefined();
    await user.click(screen.getByRole('button', { name: 'Merge into Brackwater' }));
    await waitFor(() => expect(sentTo(asked, 'POST /sources/2/merge')).toEqual({ into_id: '1' }));
    expect(await screen.findByText('One source now; 1 person moved.')).toBeVisible();
    await user.click(screen.getByRole('button', { name: /^Undo/ }));
    await waitFor(() => expect(asked.map(({ route }) => route)).toContain('POST /source-merges/40/undo'));
  });

  test('its rung is copied for others, and Undo brings the ladder back', async () => {
    const asked = answering({ ...SOURCES, 'POST /rungs/1/copies': { before: '7' }, 'POST /ladder/restore': { version: '9' } });
    const { user } = show(<Sources />);
    await more(user, 'Brackwater', 'Copy its rung…');
    expect(await screen.findByText(/^Rung 1, “Buyers”, sends leads to Coast agents\./)).toBeVisible();
    await user.click(screen.getByRole('checkbox', { name: 'brackwater.example' }));
    await user.click(screen.getByRole('button', { name: 'Copy' }));
    await waitFor(() => expect(sentTo(asked, 'POST /rungs/1/copies')).toEqual({ source_ids: ['2'] }));
    await user.click(await screen.findByRole('button', { name: /^Undo/ }));
    await waitFor(() => expect(sentTo(asked, 'POST /ladder/restore')).toEqual({ version: '7' }));
  });

  test('one is made before its first lead, with the rung of another', async () => {
    const asked = answering({
      ...SOURCES,
      'POST /sources': { id: '8', name: 'Yard signs' },
      'POST /rungs/1/copies': { before: '7' },
    });
    const { user } = show(<Sources />);
    await user.click(await screen.findByRole('button', { name: 'Add a source' }));
    await user.type(await screen.findByLabelText('Name'), 'Yard signs');
    await user.selectOptions(screen.getByLabelText('Its leads go'), '1');
    await user.click(screen.getByRole('button', { name: 'Add' }));
    await waitFor(() => expect(sentTo(asked, 'POST /rungs/1/copies')).toEqual({ source_ids: ['8'] }));
    expect(sentTo(asked, 'POST /sources')).toEqual({ name: 'Yard signs' });
  });

  test('who forwards is no source; names that are none, and merges, are taken back below', async () => {
    const asked = answering({
      ...SOURCES,
      'POST /sources/2/dismiss': {},
      'PATCH /sources/4': {},
      'POST /source-merges/31/undo': {},
    });
    const { user } = show(<Sources />);
    await more(user, 'brackwater.example', 'Not a lead source');
    expect(await screen.findByText(/^“brackwater.example” is off the list/)).toBeVisible();
    await user.click(screen.getByText('2 names that aren’t on the list'));
    await user.click(screen.getByRole('button', { name: 'Separate Brack' }));
    await user.click(screen.getByRole('button', { name: 'Forwarded by Maren is a lead source' }));
    await waitFor(() =>
      expect(asked.map(({ route }) => route)).toEqual(
        expect.arrayContaining(['PATCH /sources/4', 'POST /source-merges/31/undo']),
      ),
    );
  });
});

test('beside the inquiries new names are kept or put away, and all of them are one step on', async () => {
  const asked = answering({ ...SOURCES, 'PATCH /sources/2': {}, 'POST /sources/2/dismiss': {} });
  const { user } = show(<NewSources />);
  await user.click(await screen.findByRole('button', { name: 'brackwater.example is one of ours' }));
  await user.click(screen.getByRole('button', { name: 'brackwater.example isn’t a lead source' }));
  await waitFor(() =>
    expect(asked.map(({ route }) => route)).toEqual(expect.arrayContaining(['PATCH /sources/2', 'POST /sources/2/dismiss'])),
  );
  expect(screen.getByRole('link', { name: 'All 1' })).toHaveAttribute('href', '/setup/sources#sources');
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

  test('one is removed, and opened again by Undo', async () => {
    const asked = answering({ ...API, [`DELETE /doors/${MAILBOX.id}`]: null, [`POST /doors/${MAILBOX.id}/restore`]: null });
    const { user } = show(<Doors doors={[MAILBOX]} office />);
    await user.click(screen.getByRole('button', { name: `Remove ${MAILBOX.name}` }));
    await user.click(await screen.findByRole('button', { name: /^Undo/ }));
    await waitFor(() => expect(asked.map(({ route }) => route)).toContain(`POST /doors/${MAILBOX.id}/restore`));
  });

  test('its address is copied', async () => {
    answering(API);
    const { user } = show(<Doors doors={[MAILBOX]} office />);
    await user.click(within(screen.getByRole('region', { name: 'Doors' })).getByRole('button', { name: /^Copy/ }));
    expect(await navigator.clipboard.readText()).toBe('portals-x7@in.urraca.example');
  });
});
