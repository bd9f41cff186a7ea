/** What a step changes about a contact, each kind with its own choice; the questions of a conversation in their order. */
import { useState } from 'react';
import { screen, waitFor, within } from '@testing-library/react';
import type { ContactUpdate, ConversationStep, Step } from '@/core/campaigns';
import { USERS, WORDS } from '../../../tests/harness/people-of-forms';
import { answering, show } from '../../../tests/harness/render';
import { ChangeFields } from './change-fields';
import { TalkFields } from './talk-fields';

const API = {
  'GET /vocabulary': WORDS,
  'GET /users': USERS,
  'GET /tags': {
    items: [
      { id: '1', name: 'coast', color: 'teal' },
      { id: '2', name: 'boat', color: 'sand' },
    ],
  },
  'GET /campaigns': {
    items: [
      { id: '3', name: 'New buyer' },
      { id: '4', name: 'Past clients' },
    ],
  },
};

describe('a change', () => {
  const start = async (first: ContactUpdate = { set: 'tag', tagId: '1' }) => {
    const said: ContactUpdate[] = [];
    function Changing() {
      const [change, set] = useState(first);
      return (
        <ChangeFields
          change={change}
          campaignId="3"
          onChange={(next) => {
            said.push(next);
            set(next);
          }}
        />
      );
    }
    const asked = answering(API);
    const shown = show(<Changing />);
    await waitFor(() => expect(asked.map(({ route }) => route)).toContain('GET /campaigns'));
    await screen.findByRole('option', { name: 'coast' });
    return { said, kind: screen.getByLabelText('What to change'), ...shown };
  };

  test('a tag, a stage, a horizon: each begins with one that is there', async () => {
    const { user, said, kind } = await start();
    await user.selectOptions(screen.getByLabelText('Tag'), 'boat');
    expect(said.at(-1)).toEqual({ set: 'tag', tagId: '2' });
    await user.selectOptions(kind, 'sets the stage');
    expect(said.at(-1)).toEqual({ set: 'stage', stage: 'new' });
    await user.selectOptions(kind, 'sets the horizon');
    await user.selectOptions(screen.getByLabelText('Horizon'), 'none');
    expect(said.at(-1)).toEqual({ set: 'horizon', horizon: null });
  });

  test('a task, a field, an agent: what is typed is kept', async () => {
    const { user, said, kind } = await start();
    await user.selectOptions(kind, 'a task for their agent');
    await user.clear(screen.getByLabelText('What to do'));
    await user.type(screen.getByLabelText('What to do'), 'Send comps');
    expect(said.at(-1)).toEqual({ set: 'task', note: 'Send comps' });
    await user.selectOptions(kind, 'sets a field');
    await user.selectOptions(screen.getByLabelText('Field'), 'Nickname');
    await user.type(screen.getByLabelText('Value of the field'), 'Oda');
    expect(said.at(-1)).toEqual({ set: 'field', fieldId: '5', value: 'Oda' });
    await user.selectOptions(kind, 'hands over');
    expect(within(screen.getByLabelText('Agent')).queryByRole('option', { name: 'Lorne Bank' })).toBeNull();
    await user.selectOptions(screen.getByLabelText('Agent'), 'Asta Lund');
    expect(said.at(-1)).toEqual({ set: 'owner', userId: '2' });
  });

  test('it starts or ends another campaign, never its own', async () => {
    const { user, said, kind } = await start();
    await user.selectOptions(kind, 'starts a campaign');
    expect(said.at(-1)).toEqual({ set: 'begin', campaignId: '4' });
    expect(within(screen.getByLabelText('Campaign')).queryByRole('option', { name: 'New buyer' })).toBeNull();
  });

  test('one that names what is gone asks to choose', async () => {
    await start({ set: 'untag', tagId: '99' });
    expect(within(screen.getByLabelText('Tag')).getByRole('option', { name: 'choose…' })).toBeInTheDocument();
  });
});

describe('a conversation', () => {
  const STEP = {
    id: 4,
    do: 'talk',
    when: { after: 'start', minutes: 0 },
    questions: [{ asks: 'when', words: 'When are you hoping to move?', fieldId: null }],
  } as unknown as ConversationStep;
  const start = (readOnly = false) => {
    const said: ConversationStep[] = [];
    function Talking() {
      const [step, set] = useState<ConversationStep>(STEP);
      return (
        <TalkFields
          step={step}
          readOnly={readOnly}
          onChange={(next: Step) => {
            said.push(next as ConversationStep);
            set(next as ConversationStep);
          }}
        />
      );
    }
    answering(API);
    return { said, ...show(<Talking />) };
  };

  test('questions are worded, added and taken out; an answer may go to a field', async () => {
    const { user, said } = start();
    const field = screen.getByLabelText(/^1\. Asks/);
    await user.clear(field);
    await user.type(field, 'When would you move?');
    expect(said.at(-1)!.questions[0]).toMatchObject({ asks: 'when', words: 'When would you move?' });
    await user.selectOptions(await screen.findByLabelText(/^The field for/), 'Nickname');
    expect(said.at(-1)!.questions[0]).toMatchObject({ fieldId: '5' });
    const more = within(screen.getByRole('group', { name: 'Add a question' }));
    await user.click(more.getAllByRole('button')[0]!);
    expect(said.at(-1)!.questions).toHaveLength(2);
    await user.click(screen.getAllByRole('button', { name: /^Don’t ask/ })[0]!);
    expect(said.at(-1)!.questions.map(({ asks }) => asks)).not.toContain('when');
  });

  test('who may only read is offered nothing to add', () => {
    start(true);
    expect(screen.queryByRole('group', { name: 'Add a question' })).toBeNull();
    expect(screen.queryByRole('button', { name: /^Don’t ask/ })).toBeNull();
  });
});
