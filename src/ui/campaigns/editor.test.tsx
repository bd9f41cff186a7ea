/** The editor of a campaign: steps chosen, moved, copied and taken away on the ruler by keys, undone, saved as a version; what stands around the steps. */
import { screen, waitFor, within } from '@testing-library/react';
import { NO_PLAN, type Plan, type Step } from '@/core/campaigns';
import { WORDS } from '../../../tests/harness/people-of-forms';
import { answering, refusal, sentTo, show } from '../../../tests/harness/render';
import { CampaignEditor } from './editor';
import type { Campaign } from './shapes';

jest.mock('../templates', () => ({
  Preview: () => <p>Preview</p>,
  WordsEditor: () => null,
  CampaignTabs: () => null,
  useTemplates: () => ({ data: [] }),
}));
jest.mock('./step-fields', () => ({
  StepFields: ({ step, onRemove }: { step: Step; onRemove: () => void }) => (
    <section aria-label="Step">
      step {step.id}
      <button onClick={onRemove}>Remove</button>
    </section>
  ),
}));
jest.mock('./forecast', () => ({ ForecastBox: () => null }));

const touch = (id: number, channel: 'text' | 'email', days: number, text: string): Step => ({
  id,
  when: { after: 'start', days, at: '09:00' },
  do: 'touch',
  channel,
  from: null,
  words: { ...(channel === 'email' && { subject: text }), text, plain: text },
});
const PLAN: Plan = {
  ...NO_PLAN,
  steps: [touch(1, 'text', 1, 'Hi there'), touch(2, 'email', 3, 'Three homes')],
  ends: { ...NO_PLAN.ends, answered: 'end' },
};
const CAMPAIGN = {
  id: '3',
  name: 'New buyer',
  group: null,
  state: 'on',
  shared: true,
  may_change: true,
  plan: PLAN,
  version: { id: '30', number: 2 },
  free_id: 9,
  active: 0,
  on_earlier: 0,
  total: 40,
  steps: { 1: { sent: 31, waiting: 2 } },
} as unknown as Campaign;
const start = (change: Partial<Campaign> = {}, answers: object = {}) => {
  const campaign = { ...CAMPAIGN, ...change };
  const asked = answering({
    'GET /campaigns/3': campaign,
    'GET /vocabulary': WORDS,
    'PUT /campaigns/3/plan': { ...campaign, version: { id: '31', number: 3 } },
    'PATCH /campaigns/3': campaign,
    ...answers,
  });
  return { asked, ...show(<CampaignEditor first={campaign} />) };
};
/* By their labels: roles of a hundred cells take seconds to compute. */
const tile = (name: RegExp) => screen.getByLabelText(name, { selector: '.touch' });
const sent = (asked: Parameters<typeof sentTo>[0]) => sentTo(asked, 'PUT /campaigns/3/plan') as { plan: Plan };
const save = () => screen.getByText('Save', { selector: 'button' });

test('each step stands in its lane with its hour and what it did; the first is open', () => {
  start();
  expect(tile(/^text/)).toHaveTextContent('9 AM');
  expect(tile(/^text/)).toHaveTextContent('31 sent · 2 to go');
  expect(screen.getByLabelText('Step')).toHaveTextContent('step 1');
  expect(save()).toBeDisabled();
});

test('arrows move a step by a day, with Shift by a week; Undo and Redo go back and forth', async () => {
  const { user, asked } = start();
  await user.click(tile(/^email/));
  expect(screen.getByLabelText('Step')).toHaveTextContent('step 2');
  await user.keyboard('{ArrowRight}{Shift>}{ArrowRight}{/Shift}');
  await user.click(save());
  await waitFor(() => expect(sent(asked).plan.steps[1]!.when).toEqual({ after: 'start', days: 11, at: '09:00' }));
  await user.click(screen.getByTitle('Undo (Ctrl+Z)'));
  expect(screen.getByTitle('Redo (Ctrl+Shift+Z)')).toBeEnabled();
});

test('Ctrl+Z takes back what a key did', async () => {
  const { user } = start();
  await user.click(tile(/^text/));
  await user.keyboard('{Delete}');
  expect(screen.queryByLabelText(/^text,/)).toBeNull();
  expect(tile(/^email/)).toHaveFocus();
  await user.click(screen.getByTitle('Undo (Ctrl+Z)'));
  expect(tile(/^text/)).toBeVisible();
  expect(save()).toBeDisabled();
});

test('d copies a step, the + of a day adds one', async () => {
  const { user, asked } = start();
  await user.click(tile(/^text/));
  await user.keyboard('d');
  await user.click(screen.getByLabelText('Add a call on day 2'));
  await user.click(save());
  await waitFor(() => expect(asked.some(({ route }) => route === 'PUT /campaigns/3/plan')).toBe(true));
  expect(
    sent(asked)
      .plan.steps.map((step) => (step.do === 'touch' ? step.channel : step.do))
      .sort(),
  ).toEqual(['call', 'email', 'text', 'text']);
});

test('with people in it, saving asks whether they stay or move', async () => {
  const { user, asked } = start(
    { active: 12 },
    { 'POST /campaigns/3/plan/moving': { twice: 0, never: 0 }, 'POST /campaigns/3/preview-move': {} },
  );
  await user.click(screen.getByLabelText('It repeats'));
  await user.click(save());
  expect(await screen.findByRole('dialog')).toBeVisible();
  expect(asked.some(({ route }) => route === 'PUT /campaigns/3/plan')).toBe(false);
});

test('who it is for, what begins it and what ends it are changed around it', async () => {
  const { user, asked } = start();
  const within_ = (name: string) => within(screen.getByLabelText(name, { selector: 'section' }));
  await user.click(within_('Audience').getByRole('button', { name: 'buyer' }));
  await user.click(within_('When it starts').getByRole('button', { name: '+ every year on a date' }));
  const day = within_('When it starts').getByRole('textbox', { name: 'Day of the year' });
  await user.clear(day);
  await user.type(day, '7/4');
  await user.tab();
  await user.selectOptions(within_('When it ends').getByRole('combobox', { name: 'What a reply does' }), 'pauses it');
  await user.click(within_('When it ends').getByRole('checkbox', { name: 'It repeats' }));
  await user.click(save());
  await waitFor(() => expect(asked.some(({ route }) => route === 'PUT /campaigns/3/plan')).toBe(true));
  expect(sent(asked).plan).toMatchObject({
    roles: ['buyer'],
    starts: [{ on: 'day', day: '07-04' }],
    ends: { answered: 'pause' },
    repeat: { days: 30, times: null },
  });
});

test('somebody else saved meanwhile: it says so, and nothing typed is lost', async () => {
  const { user } = start(
    {},
    { 'PUT /campaigns/3/plan': refusal(409, { code: 'conflict', detail: 'Someone saved version 3 while you were editing.' }) },
  );
  await user.click(screen.getByLabelText('It repeats'));
  await user.click(save());
  expect(await screen.findByText('Someone saved version 3 while you were editing.')).toBeVisible();
  expect(screen.getByLabelText('It repeats')).toBeChecked();
});

test('whoever may not change it can look', () => {
  start({ may_change: false });
  expect(screen.getByText('Only office managers can change this campaign. Copy it to make your own.')).toBeVisible();
  expect(screen.queryByText('Save', { selector: 'button' })).toBeNull();
  expect(screen.queryByLabelText(/^Add a call/)).toBeNull();
});

test('its name is changed where it stands; Esc leaves it', async () => {
  const { user, asked } = start();
  const name = screen.getByLabelText('Name of the campaign');
  await user.clear(name);
  await user.type(name, 'Coast buyers{Escape}');
  expect(name).toHaveValue('New buyer');
  await user.clear(name);
  await user.type(name, 'Coast buyers{Enter}');
  await waitFor(() => expect(sentTo(asked, 'PATCH /campaigns/3')).toEqual({ name: 'Coast buyers' }));
});
