/** Making a campaign, saving a version of it, and the fields of a step. */
import { useState } from 'react';
import { screen, waitFor } from '@testing-library/react';
import type { Step } from '@/core/campaigns';
import { USERS, WORDS } from '../../../tests/harness/people-of-forms';
import { answering, going, keepsWhatIsTyped, sentTo, show } from '../../../tests/harness/render';
import { NewCampaign } from './new-campaign';
import { SaveVersionDialog } from './save-version-dialog';
import type { Campaign } from './shapes';
import { StepFields } from './step-fields';

const STARTERS = {
  items: [{ key: 'buyer', name: 'New buyer', about: 'For buyers.', plan: { steps: [] } }],
};
const CAMPAIGN = { id: '3', name: 'New buyer', active: 1_204 } as unknown as Campaign;
const touch = (channel: 'text' | 'email'): Step => ({
  id: 1,
  when: { after: 'start', days: 1, at: '09:00' },
  do: 'touch',
  channel,
  from: null,
  words: { text: 'Hi', plain: 'Hi' },
});
const API = {
  'GET /starters': STARTERS,
  'GET /templates': {
    items: [{ id: '4', name: 'Hello', channel: 'text', words: { subject: null, text: 'Hello', plain: 'Hello' } }],
  },
  'GET /ab-tests': { items: [] },
  'GET /vocabulary': WORDS,
  'GET /tags': { items: [{ id: '1', name: 'coast', color: 'teal', uses: 4 }] },
  'GET /campaigns': {
    items: [
      { id: '3', name: 'New buyer' },
      { id: '5', name: 'Sphere' },
    ],
  },
  'GET /users': USERS,
  'GET /fields': { items: [] },
};

keepsWhatIsTyped('a new campaign', {
  open: (onClose) => <NewCampaign copyOf={null} office onClose={onClose} />,
  label: 'Name',
  typed: 'Harbor buyers',
  route: 'POST /campaigns',
  answer: { id: '9' },
  field: 'name',
  answers: API,
});

test('a starter gives its name, unless it has one of one’s own', async () => {
  const asked = answering({ ...API, 'POST /campaigns': { id: '9' } });
  const went = going();
  const { user } = show(<NewCampaign copyOf={null} office={false} onClose={jest.fn()} />);
  await user.click(await screen.findByRole('radio', { name: /^New buyer/ }));
  expect(screen.getByLabelText('Name')).toHaveValue('New buyer');
  await user.clear(screen.getByLabelText('Name'));
  await user.type(screen.getByLabelText('Name'), 'Mine');
  await user.click(screen.getByRole('radio', { name: /^New buyer/ }));
  expect(screen.getByLabelText('Name')).toHaveValue('Mine');
  await user.click(screen.getByRole('button', { name: 'Create draft' }));
  await waitFor(() => expect(went).toEqual(['/campaigns/9']));
  expect(sentTo(asked, 'POST /campaigns')).toEqual({ name: 'Mine', shared: false, starter: 'buyer' });
});

test('a copy is named so, and asks for no starter', () => {
  answering(API);
  show(<NewCampaign copyOf={CAMPAIGN} office onClose={jest.fn()} />);
  expect(screen.getByRole('dialog', { name: 'Copy of “New buyer”' })).toBeVisible();
  expect(screen.getByLabelText('Name')).toHaveValue('New buyer, copy');
  expect(screen.queryByRole('radiogroup')).toBeNull();
});

test('people stay on their version unless they are moved, which says what it means', async () => {
  answering({ 'POST /campaigns/3/plan/preview': { never: { 1: 12 }, twice: {}, astray: 3 } });
  const onSave = jest.fn();
  const { user } = show(
    <SaveVersionDialog
      campaign={CAMPAIGN}
      plan={{ steps: [touch('text')] } as never}
      busy={false}
      onSave={onSave}
      onClose={jest.fn()}
    />,
  );
  expect(screen.getByRole('dialog', { name: '1,204 people are in it' })).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Save version' }));
  expect(onSave).toHaveBeenLastCalledWith('stay');
  await user.click(screen.getByRole('radio', { name: 'Move them to this version' }));
  expect(await screen.findByText(/: 12 people$/)).toBeVisible();
  expect(screen.getByText(/^3 are on a step that was removed/)).toBeVisible();
  await user.click(screen.getByRole('button', { name: 'Save version' }));
  expect(onSave).toHaveBeenLastCalledWith('move');
});

function fields(first: Step) {
  const said: Step[] = [];
  answering(API);
  function Held() {
    const [step, setStep] = useState(first);
    return (
      <StepFields
        step={step}
        campaignId="3"
        errors={[]}
        readOnly={false}
        onRemove={jest.fn()}
        onChange={(next) => (said.push(next), setStep(next))}
      />
    );
  }
  return { said, ...show(<Held />) };
}

test('when a step is due: minutes, days on some weekdays, or around a date of theirs', async () => {
  const { user, said } = fields(touch('text'));
  await user.click(screen.getByRole('button', { name: 'Tuesday' }));
  expect(said.at(-1)!.when).toEqual({ after: 'start', days: 1, at: '09:00', on: [2] });
  await user.selectOptions(screen.getByLabelText('When'), 'minutes after the previous step');
  await user.clear(screen.getByLabelText('Minutes'));
  await user.type(screen.getByLabelText('Minutes'), '90');
  expect(said.at(-1)!.when).toEqual({ after: 'last', minutes: 90 });
  await user.selectOptions(screen.getByLabelText('When'), 'around a personal date');
  await user.selectOptions(screen.getByLabelText('Before or after'), 'days before');
  expect(said.at(-1)!.when).toMatchObject({ date: 'birthday', days: -1 });
});

test('the words of a touch are its own or those of a template', async () => {
  const { user, said } = fields(touch('text'));
  await user.selectOptions(await screen.findByLabelText('Words from'), 'template “Hello”');
  expect(said.at(-1)).toMatchObject({ from: { template: '4' }, words: { text: 'Hello' } });
  expect(screen.getByRole('link', { name: 'Edit template' })).toHaveAttribute('href', '/campaigns/templates/4');
  await user.selectOptions(screen.getByLabelText('Words from'), 'this step');
  await user.type(screen.getByLabelText('Words'), ' there');
  expect(said.at(-1)).toMatchObject({ from: null, words: { text: 'Hello there' } });
});

test('a task, a change, a conversation and a condition each ask for their own', async () => {
  const { user, said } = fields({ id: 2, when: { after: 'start', minutes: 0 }, do: 'task', role: 'owner', note: '' });
  await user.type(screen.getByLabelText('What to do'), 'Order the sign');
  expect(said.at(-1)).toMatchObject({ do: 'task', note: 'Order the sign' });
  const does = () => screen.getByLabelText('What this step does');
  await user.selectOptions(does(), 'Change contact');
  await user.selectOptions(screen.getByLabelText('What to change'), screen.getAllByRole('option', { name: /tag/i })[0]!);
  expect(said.at(-1)).toMatchObject({ do: 'change', change: { set: 'tag', tagId: '1' } });
  await user.selectOptions(does(), 'Qualifying conversation by text');
  const first = screen.getAllByRole('textbox')[0]!;
  await user.clear(first);
  await user.type(first, 'When?');
  expect((said.at(-1) as Extract<Step, { do: 'talk' }>).questions[0]!.words).toBe('When?');
});
