/** The ladder and its rosters on the page: read, changed in a draft of one's own, rehearsed, applied and taken back. */
import { screen, waitFor, within } from '@testing-library/react';
import { USERS, WORDS } from '../../../tests/harness/people-of-forms';
import { LADDER, OTHER_ROSTER, ROSTER } from '../../../tests/harness/routing';
import { answering, refusal, sentTo, show } from '../../../tests/harness/render';
import { RoutingArea } from './routing';
import type { LadderJson, Offer } from './shapes';

const API = {
  'GET /vocabulary': WORDS,
  'GET /users': USERS,
  'GET /tags': { items: [{ id: '1', name: 'coast', color: 'teal' }] },
  'GET /ladder': LADDER,
  'GET /offers': { items: [], total: 0 },
  'GET /offers/mine': { items: [] },
  'GET /invitations': { items: [] },
  'POST /segments/count': { count: 3 },
  'PUT /ladder': { ...LADDER, version: '42' },
};
const area = (mayManage = true, ladder: LadderJson = LADDER, offers: Offer[] = []) =>
  show(<RoutingArea ladder={ladder} offers={{ items: offers, total: offers.length }} mayManage={mayManage} />);
const edited = () => within(screen.getByRole('list', { name: 'Edited ladder' }));

describe('the ladder to read', () => {
  test('says who goes where, what nothing reaches and what is broken', () => {
    const [first, second] = LADDER.rungs as [LadderJson['rungs'][0], LadderJson['rungs'][0]];
    const ladder = {
      ...LADDER,
      rungs: [
        { ...first, broken: true, notify: ['text' as const] },
        { ...second, shadowed_by: 1 },
      ],
    };
    answering({ ...API, 'GET /ladder': ladder });
    area(false, ladder);
    const text = screen.getByRole('region', { name: 'The ladder' });
    expect(text).toHaveTextContent('Buyers go to Coast agents, round robin');
    expect(text).toHaveTextContent('told by text');
    expect(text).toHaveTextContent('It refers to something that was deleted, so that part never matches.');
    expect(text).toHaveTextContent('Everyone goes to Night watch');
    expect(text).toHaveTextContent('No leads reach this rung: they match rung 1 first.');
    expect(text).toHaveTextContent('Everyone else goes to Ines Kolar');
  });

  test('who does not run the office changes nothing', () => {
    answering(API);
    area(false);
    expect(screen.queryByRole('button', { name: 'Edit ladder' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'New roster' })).toBeNull();
  });
});

describe('a draft of it', () => {
  const start = async () => {
    const shown = area();
    await shown.user.click(screen.getByRole('button', { name: 'Edit ladder' }));
    return shown;
  };

  test('rungs are added, moved, told apart and taken out; only Apply counts', async () => {
    const asked = answering(API);
    const { user } = await start();
    expect(screen.getByText('Leads follow the old one until you apply it.')).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'Move rung 2 up' }));
    expect(screen.getByLabelText('Roster of rung 1')).toHaveValue('9');
    expect(screen.getByRole('button', { name: 'Move rung 1 up' })).toBeDisabled();
    await user.click(screen.getByRole('button', { name: 'Add a rung' }));
    await user.selectOptions(screen.getByLabelText('Roster of rung 3'), 'Night watch');
    await user.selectOptions(screen.getByLabelText('Campaign of rung 3'), 'New buyer');
    await user.selectOptions(await screen.findByLabelText('Add a tag to rung 3'), 'coast');
    await user.selectOptions(await screen.findByLabelText('Lender of rung 3'), 'Lorne Bank');
    await user.click(edited().getAllByRole('button', { name: 'email' }).at(-1)!);
    await user.click(screen.getByRole('button', { name: 'Remove rung 2' }));
    await user.click(screen.getByRole('checkbox', { name: /^Inquiries about our own listings/ }));
    expect(asked.map(({ route }) => route)).not.toContain('PUT /ladder');
    await user.click(screen.getByRole('button', { name: 'Apply' }));
    await waitFor(() => expect(sentTo(asked, 'PUT /ladder')).toBeDefined());
    const [second] = LADDER.rungs.slice(1);
    expect(sentTo(asked, 'PUT /ladder')).toEqual({
      version: '41',
      own_listing: false,
      rungs: [
        {
          id: second!.id,
          tree: { all: [] },
          roster_id: '9',
          campaign_id: null,
          tags: [],
          lender_id: null,
          lender_roster_id: null,
          notify: [],
        },
        {
          tree: { all: [] },
          roster_id: '9',
          campaign_id: '3',
          tags: ['1'],
          lender_id: '6',
          lender_roster_id: null,
          notify: ['email'],
        },
      ],
    });
  });

  test('it survives a reload, and is put away by one click', async () => {
    answering(API);
    const first = await start();
    await first.user.click(screen.getByRole('button', { name: 'Remove rung 1' }));
    first.unmount();
    const { user } = area();
    expect(edited().getAllByLabelText(/^Roster of rung/)).toHaveLength(1);
    await user.click(screen.getByRole('button', { name: 'Discard changes' }));
    expect(screen.getByRole('button', { name: 'Edit ladder' })).toBeVisible();
    expect(localStorage.length).toBe(0);
  });

  test('what is refused is said, and the draft stays', async () => {
    answering({
      ...API,
      'PUT /ladder': refusal(409, { code: 'conflict', detail: 'Berit Moss changed the ladder a moment ago.' }),
    });
    const { user } = await start();
    await user.click(screen.getByRole('button', { name: 'Apply' }));
    expect((await screen.findAllByText(/Berit Moss changed the ladder/))[0]).toBeVisible();
    expect(screen.getByRole('button', { name: 'Apply' })).toBeEnabled();
  });

  test('once applied, Undo brings the one before back', async () => {
    const asked = answering({ ...API, 'POST /ladder/restore': {} });
    const { user } = await start();
    await user.click(screen.getByRole('button', { name: 'Apply' }));
    expect(await screen.findByText('Saved. The new ladder applies to every lead.')).toBeVisible();
    await user.click(screen.getByRole('button', { name: /^Undo/ }));
    await waitFor(() => expect(sentTo(asked, 'POST /ladder/restore')).toEqual({ version: '41' }));
  });

  test('its rehearsal says who would have had which leads, with the people behind a number', async () => {
    const both = { before: 0, after: 0 };
    const asked = answering({
      ...API,
      'POST /rehearsals': { id: '5' },
      'GET /rehearsals/5': {
        id: '5',
        days: 90,
        state: 'done',
        inquiries: 60,
        done: 60,
        error: null,
        result: {
          inquiries: 60,
          asked: 50,
          moved: 7,
          rungs: [
            { id: '1', position: 1, really: 20, before: 20, after: 30 },
            { id: '2', position: 2, really: 30, before: 30, after: 0 },
          ],
          gone: both,
          fell: both,
          net: both,
          seconds: { before: { median: 60, late: 600 }, after: { median: 120, late: 900 } },
          fairness: [{ roster: 'Coast agents', before: 1, after: 2 }],
          agents: [{ id: '2', name: 'Asta Lund', really: 10, before: 10, after: 17 }],
          moves: [],
        },
      },
      'GET /rehearsals/5/outcomes': {
        items: [
          {
            inquiry_id: '9',
            contact_id: '5',
            name: 'Odalys Brandt',
            arrived_at: '2026-11-20T18:00:00Z',
            really: null,
            before: 'Ines Kolar',
            after: 'Asta Lund',
            seconds: 60,
          },
        ],
      },
    });
    const { user } = await start();
    await user.selectOptions(screen.getByLabelText('Days of the rehearsal'), '90 days');
    await user.click(screen.getByRole('button', { name: 'Run rehearsal' }));
    expect(await screen.findByText(/would go to another agent/)).toHaveTextContent(
      'Of 50 leads from the last 90 days decided by a rung, 7 would go to another agent. 10 were assigned before any rung.',
    );
    expect(sentTo(asked, 'POST /rehearsals')).toMatchObject({ days: 90, ladder: { own_listing: true } });
    expect(screen.getByText('Rung 2 would have had no leads.')).toBeVisible();
    expect(screen.getByText('1 lead')).toBeVisible();
    await user.click(screen.getByRole('button', { name: '17' }));
    const people = await screen.findByRole('region', { name: 'Asta Lund' });
    await waitFor(() => expect(people).toHaveTextContent('Ines Kolar → Asta Lund'));
    await user.click(screen.getByRole('button', { name: 'Remove rung 1' }));
    expect(screen.getByText('The ladder has changed. Run it again.')).toBeVisible();
  });
});

test('a ladder of before is restored from the list', async () => {
  const asked = answering({
    ...API,
    'GET /ladder/versions': {
      items: [
        { id: '41', made_at: '2026-11-20T18:00:00Z', made_by: 'Ines Kolar', rungs: ['Buyers go to Coast agents'], current: true },
        { id: '40', made_at: '2026-11-02T18:00:00Z', made_by: 'Berit Moss', rungs: [], current: false },
      ],
    },
    'POST /ladder/restore': {},
  });
  const { user } = area();
  await user.click(screen.getByRole('button', { name: 'Past versions' }));
  const dialog = within(await screen.findByRole('dialog', { name: 'Past versions' }));
  expect(await dialog.findByText('current')).toBeVisible();
  await user.click(dialog.getByRole('button', { name: 'Restore' }));
  await waitFor(() => expect(sentTo(asked, 'POST /ladder/restore')).toEqual({ version: '40' }));
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
});

describe('beside the ladder', () => {
  const offer = (id: string, name: string, agent: Offer['agent'], to: string[]): Offer => ({
    id,
    inquiry_id: `1${id}`,
    contact_id: `2${id}`,
    name,
    agent,
    to,
    offered_at: '2026-11-23T18:20:00Z',
    ends_at: agent ? null : '2026-11-23T18:30:00Z',
    commons: false,
    because: 'Rung 1',
  });

  test('what waits is offered to somebody, or with somebody', () => {
    const offers = [
      offer('1', 'Odalys Brandt', null, ['Asta Lund', 'Ines Kolar']),
      offer('2', ' ', { id: '2', name: 'Asta Lund' }, []),
    ];
    answering({ ...API, 'GET /offers': { items: offers, total: 2 } });
    area(true, LADDER, offers);
    const waiting = within(screen.getByRole('region', { name: 'Waiting' }));
    expect(waiting.getByText('offered to Asta Lund and Ines Kolar')).toBeVisible();
    expect(waiting.getByRole('link', { name: 'No name' })).toHaveAttribute('href', '/contacts?contact=22');
    expect(waiting.getByText('with Asta Lund')).toBeVisible();
  });

  test('a day off takes one out of turn, and Back brings them in again', async () => {
    const away = { ...ROSTER.members[1]!, away: true, away_until: '2026-11-24T18:24:00Z' };
    const ladder = { ...LADDER, rosters: [{ ...ROSTER, members: [ROSTER.members[0]!, away] }, OTHER_ROSTER] };
    const asked = answering({ ...API, 'GET /ladder': ladder, 'PUT /users/2/away': {}, 'PUT /users/1/away': {} });
    const { user } = area(true, ladder);
    const roster = within(screen.getByRole('region', { name: 'Coast agents' }));
    expect(roster.getByText('off until Nov 24')).toBeVisible();
    await user.click(roster.getByRole('button', { name: 'Back' }));
    await waitFor(() => expect(sentTo(asked, 'PUT /users/2/away')).toEqual({ until: null }));
    await user.click(roster.getByRole('button', { name: 'Day off' }));
    await waitFor(() => expect(sentTo(asked, 'PUT /users/1/away')).toEqual({ until: '2026-11-24T18:24:00.000Z' }));
  });

  test('an invitation is answered where it stands', async () => {
    const asked = answering({
      ...API,
      'GET /invitations': { items: [{ roster_id: '9', name: 'Night watch' }] },
      'PUT /invitations/9': {},
    });
    const { user } = area(false);
    await user.click(await screen.findByRole('button', { name: 'Accept' }));
    await waitFor(() => expect(sentTo(asked, 'PUT /invitations/9')).toEqual({ accept: true }));
    expect(await screen.findByText('You’re on the roster.')).toBeVisible();
  });

  test('a roster without people says where its leads go', () => {
    const ladder = { ...LADDER, rosters: [{ ...ROSTER, members: [], rungs: 0 }] };
    answering({ ...API, 'GET /ladder': ladder });
    area(true, ladder);
    const roster = screen.getByRole('region', { name: 'Coast agents' });
    expect(roster).toHaveTextContent('No one is on it. Its leads go to Ines Kolar.');
    expect(roster).toHaveTextContent('No rung uses it');
  });
});
