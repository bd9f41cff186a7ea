/** Campaigns in their table: switched with a way back, held all at once; when a step is due; what a rehearsal would do. */
import { useState } from 'react';
import { screen, waitFor, within } from '@testing-library/react';
import { NO_PLAN, type StepTiming } from '@/core/campaigns';
import { answering, refusal, sentTo, show } from '../../../tests/harness/render';
import { CampaignsArea } from './campaigns';
import { ForecastBox } from './forecast';
import { WhenFields } from './when-fields';
import type { Campaign } from './shapes';

jest.mock('../templates', () => ({ CampaignTabs: () => null }));

const campaign = (id: string, name: string, state: Campaign['state'], change: Partial<Campaign> = {}) =>
  ({
    id,
    name,
    state,
    group: null,
    shared: true,
    may_change: true,
    plan: {
      ...NO_PLAN,
      steps: [
        {
          id: 1,
          when: { after: 'start', minutes: 0 },
          do: 'touch',
          channel: 'text',
          from: null,
          words: { text: 'Hi', plain: 'Hi' },
        },
      ],
    },
    version: { id: `${id}0`, number: 1 },
    active: 1_204,
    on_earlier: 0,
    total: 2_000,
    answered: 400,
    clients: 20,
    opted_out: 10,
    next_at: '2026-11-24T18:00:00Z',
    ...change,
  }) as unknown as Campaign;
const ON = campaign('1', 'New buyer', 'on', { group: 'Buyers' });
const DRAFT = campaign('2', 'Harbor landlords', 'draft', { active: 0, total: 0, shared: false });
const API = {
  'GET /campaigns': { items: [ON, DRAFT] },
  'GET /settings': { campaigns_held: false },
  'GET /starters': { items: [] },
};
const list = (office = true, rows = [ON, DRAFT]) => show(<CampaignsArea first={rows} office={office} />);
const row = (name: string) => within(screen.getByRole('row', { name: new RegExp(name) }));

describe('the table', () => {
  test('what each does to how many; a draft can only be switched on', () => {
    answering(API);
    list();
    const first = screen.getByRole('row', { name: /New buyer/ });
    expect(first).toHaveTextContent('only one of “Buyers” at a time');
    expect(first).toHaveTextContent('1,204');
    expect(first).toHaveTextContent('20%');
    expect(row('Harbor landlords').getByText('none')).toBeVisible();
    expect(row('Harbor landlords').getByRole('button', { name: 'On' })).toBeEnabled();
    expect(row('Harbor landlords').queryByRole('button', { name: 'Paused' })).toBeNull();
    expect(row('New buyer').getByRole('button', { name: 'On' })).toHaveAttribute('aria-pressed', 'true');
  });

  test('one is paused, and Undo switches it on again', async () => {
    const asked = answering({ ...API, 'PATCH /campaigns/1': ON });
    const { user } = list();
    await user.click(row('New buyer').getByRole('button', { name: 'On' }));
    expect(asked.filter(({ route }) => route === 'PATCH /campaigns/1')).toEqual([]);
    await user.click(row('New buyer').getByRole('button', { name: 'Paused' }));
    await waitFor(() => expect(sentTo(asked, 'PATCH /campaigns/1')).toEqual({ state: 'held' }));
    expect(await screen.findByText('“New buyer” is paused: everyone in it waits.')).toBeVisible();
    await user.click(screen.getByRole('button', { name: /^Undo/ }));
    await waitFor(() => expect(sentTo(asked, 'PATCH /campaigns/1')).toEqual({ state: 'on' }));
  });

  test('what keeps one from being switched on stands beside it', async () => {
    answering({
      ...API,
      'PATCH /campaigns/2': refusal(422, { code: 'input_invalid', detail: 'Step 1 has no message.' }),
    });
    const { user } = list();
    await user.click(row('Harbor landlords').getByRole('button', { name: 'On' }));
    expect(await row('Harbor landlords').findByText('Step 1 has no message.')).toBeVisible();
  });

  test('the office holds all by one switch; others have none', async () => {
    const asked = answering({ ...API, 'PATCH /settings': {} });
    const { user, unmount } = list();
    await user.click(await screen.findByRole('button', { name: 'Hold all campaigns' }));
    await waitFor(() => expect(sentTo(asked, 'PATCH /settings')).toEqual({ campaigns_held: true }));
    expect(await screen.findByText(/^All campaigns are on hold\. Nothing goes out/)).toBeVisible();
    unmount();
    list(false);
    expect(screen.queryByRole('button', { name: 'Hold all campaigns' })).toBeNull();
  });

  test('who may not change one reads its state', () => {
    answering(API);
    list(false, [{ ...ON, may_change: false }]);
    expect(row('New buyer').getByText('On')).toBeVisible();
    expect(row('New buyer').queryByRole('button', { name: 'Paused' })).toBeNull();
  });
});

describe('when a step is due', () => {
  const due = (first: StepTiming) => {
    const said: StepTiming[] = [];
    function Due() {
      const [when, set] = useState(first);
      return (
        <WhenFields
          when={when}
          onChange={(next) => {
            said.push(next);
            set(next);
          }}
        />
      );
    }
    return { said, ...show(<Due />) };
  };

  test('minutes, days on some days of the week, or around a date of the person', async () => {
    const { user, said } = due({ after: 'start', minutes: 0 });
    await user.selectOptions(screen.getByLabelText('When'), 'days after the previous step');
    expect(said.at(-1)).toEqual({ after: 'last', days: 1, at: '09:00' });
    await user.clear(screen.getByLabelText('Days'));
    await user.type(screen.getByLabelText('Days'), '14');
    await user.click(screen.getByRole('button', { name: 'Tuesday' }));
    await user.click(screen.getByRole('button', { name: 'Monday' }));
    expect(said.at(-1)).toEqual({ after: 'last', days: 14, at: '09:00', on: [1, 2] });
    await user.click(screen.getByRole('button', { name: 'Tuesday' }));
    await user.click(screen.getByRole('button', { name: 'Monday' }));
    expect(said.at(-1)).toEqual({ after: 'last', days: 14, at: '09:00' });
    await user.selectOptions(screen.getByLabelText('When'), 'around a personal date');
    expect(said.at(-1)).toEqual({ date: 'birthday', days: 0, at: '09:00' });
  });
});

describe('its rehearsal', () => {
  const day = (n: number, change: object = {}) => ({ day: n, task: 0, call: 0, text: 0, email: 0, letter: 0, ...change });
  const result = {
    people: 1_204,
    untouched: 3,
    days: [day(0, { text: 1_200 }), day(2, { call: 40, letter: 2 })],
    held: { withdrawn: 12, no_address: 3 },
    moved: { quiet_hours: 7 },
    clashes: { 'Past clients': 5 },
    calls: [{ agent: 'Asta Lund', day: 2, calls: 9 }],
    letters: 2,
  };
  const done = { id: '5', state: 'done', people: 1_204, done: 1_204, days: 30, letter_cents: 94, error: null, result };

  test('says whom it would take, what would go, be skipped, wait, and clash', async () => {
    const asked = answering({ 'POST /campaigns/1/rehearsals': { id: '5' }, 'GET /campaign-rehearsals/5': done });
    const { user } = show(<ForecastBox campaign={ON} plan={ON.plan} />);
    await user.selectOptions(screen.getByLabelText('Days of the rehearsal'), '30 days');
    await user.click(screen.getByRole('button', { name: 'Run rehearsal' }));
    const words = await screen.findByText(/^It would enroll/);
    expect(words).toHaveTextContent(
      'It would enroll 1,204 people: 40 calls, 1,200 texts, 0 emails, 2 letters for $1.88, if no one answers. 3 would get nothing.',
    );
    expect(sentTo(asked, 'POST /campaigns/1/rehearsals')).toMatchObject({ days: 30 });
    expect(screen.getByText('12: permission was withdrawn')).toBeVisible();
    expect(screen.getByText('7: quiet hours')).toBeVisible();
    expect(screen.getByText('5: “Past clients”')).toBeVisible();
    expect(screen.getByText('9: Asta Lund, Nov 25')).toBeVisible();
    expect(screen.getByRole('img', { name: 'Touches a day by channel' })).toBeInTheDocument();
  });

  test('one that failed says why; without steps there is nothing to rehearse', async () => {
    answering({
      'POST /campaigns/1/rehearsals': { id: '5' },
      'GET /campaign-rehearsals/5': { ...done, state: 'failed', result: null, error: 'It took too long.' },
    });
    const { user, unmount } = show(<ForecastBox campaign={ON} plan={ON.plan} />);
    await user.click(screen.getByRole('button', { name: 'Run rehearsal' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('It took too long.');
    unmount();
    show(<ForecastBox campaign={ON} plan={NO_PLAN} />);
    expect(screen.getByRole('button', { name: 'Run rehearsal' })).toBeDisabled();
  });
});
