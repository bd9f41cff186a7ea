/** One condition of the sentence, whatever it asks: names, words, numbers, money, days, spans of time, hours; saved segments beside it. */
import { useState } from 'react';
import { screen, waitFor } from '@testing-library/react';
import { subjectOf, type Condition } from '@/core/segments';
import { WORDS } from '../../../tests/harness/people-of-forms';
import { answering, keepsWhatIsTyped, sentTo, show } from '../../../tests/harness/render';
import { ConditionEditor } from './condition-editor';
import { SaveSegmentDialog } from './save-segment-dialog';

jest.mock('../market', () => ({ MapView: () => <p>Map</p> }));

const TREE = { all: [{ on: 'stage', how: 'any', of: ['new'] }] } as const;
const open = (first: Condition) => {
  const said: Condition[] = [];
  const does = { onRemove: jest.fn(), onNegate: jest.fn(), onOr: jest.fn(), onClose: jest.fn() };
  function Open() {
    const [condition, set] = useState(first);
    return (
      <ConditionEditor
        condition={condition}
        subject={subjectOf(condition.on, WORDS.fields as never)}
        vocabulary={WORDS as never}
        onChange={(next) => {
          said.push(next);
          set(next);
        }}
        {...does}
      />
    );
  }
  answering({});
  return { said, ...does, ...show(<Open />) };
};

test('names are ticked; Enter is done', async () => {
  const { user, said, onClose } = open({ on: 'stage', how: 'any', of: ['new'] });
  await user.click(screen.getByRole('checkbox', { name: 'Talking' }));
  expect(said.at(-1)).toMatchObject({ of: ['new', 'talking'] });
  await user.click(screen.getByRole('checkbox', { name: 'New' }));
  expect(said.at(-1)).toMatchObject({ of: ['talking'] });
  await user.selectOptions(screen.getByLabelText('How'), 'none of');
  expect(said.at(-1)).toMatchObject({ how: 'none' });
  await user.click(screen.getByRole('button', { name: 'Done' }));
  expect(onClose).toHaveBeenCalled();
});

test('where values are words, others are typed', async () => {
  const { user, said, onClose } = open({ on: 'town', how: 'any', of: [] });
  const field = screen.getByLabelText('Find or type a value');
  expect(field).toHaveFocus();
  await user.type(field, 'Petrel Point');
  expect(screen.getByText('Enter adds “Petrel Point”.')).toBeVisible();
  await user.keyboard('{Enter}');
  expect(said.at(-1)).toMatchObject({ of: ['Petrel Point'] });
  expect(field).toHaveValue('');
  expect(onClose).not.toHaveBeenCalled();
});

test('what is not among names is not made up', async () => {
  const many = Array.from({ length: 9 }, (_, n) => ({ value: `${n}`, name: `Tag ${n}` }));
  answering({});
  const said = jest.fn();
  const { user } = show(
    <ConditionEditor
      condition={{ on: 'tag', how: 'any', of: [] }}
      subject={subjectOf('tag', [])}
      vocabulary={{ ...WORDS, names: { ...WORDS.names, tag: many } } as never}
      onChange={said}
      onRemove={jest.fn()}
      onNegate={jest.fn()}
      onOr={jest.fn()}
      onClose={jest.fn()}
    />,
  );
  await user.type(screen.getByLabelText('Find or type a value'), 'boat{Enter}');
  expect(said).not.toHaveBeenCalled();
  await user.type(screen.getByLabelText('Find or type a value'), 'tag 4{Enter}');
  expect(said).toHaveBeenCalledWith(expect.objectContaining({ of: ['4'] }));
});

test('a span of prices is typed as people say it', async () => {
  const { user, said } = open({ on: 'wants_price_max', how: 'between', from: null, to: null });
  await user.type(screen.getByLabelText('from'), '400k{Tab}');
  await user.type(screen.getByLabelText('to'), '$1.2m{Tab}');
  expect(said.at(-1)).toMatchObject({ from: 400_000, to: 1_200_000 });
  await user.clear(screen.getByLabelText('from'));
  await user.type(screen.getByLabelText('from'), 'some{Tab}');
  expect(screen.getByLabelText('from')).toHaveAttribute('aria-invalid', 'true');
  expect(said.at(-1)).toMatchObject({ to: 1_200_000 });
});

test('how long ago, in a unit; and on days', async () => {
  const { user, said } = open({ on: 'last_conversation', how: 'within', n: 30, unit: 'days' });
  await user.clear(screen.getByLabelText('How many'));
  await user.type(screen.getByLabelText('How many'), '3');
  await user.selectOptions(screen.getByLabelText('What for'), 'weeks');
  expect(said.at(-1)).toMatchObject({ how: 'within', n: 3, unit: 'weeks' });
  await user.selectOptions(screen.getByLabelText('How'), 'not for');
  expect(screen.getByText('or more, or never')).toBeVisible();
  await user.selectOptions(screen.getByLabelText('How'), 'on days');
  await user.type(screen.getByLabelText('from'), '11/2/2026{Tab}');
  expect(said.at(-1)).toMatchObject({ how: 'on_days', from: '2026-11-02' });
  await user.selectOptions(screen.getByLabelText('How'), 'never');
  expect(said.at(-1)).toMatchObject({ how: 'unknown' });
});

test('or else, not, remove', async () => {
  const { user, onNegate, onRemove, onOr } = open({ on: 'stage', how: 'any', of: ['new'] });
  await user.click(screen.getByRole('button', { name: 'Not' }));
  await user.click(screen.getByRole('button', { name: 'Remove' }));
  expect([onNegate.mock.calls.length, onRemove.mock.calls.length]).toEqual([1, 1]);
  await user.click(screen.getByRole('button', { name: 'or…' }));
  await user.type(screen.getByRole('combobox'), 'horizon');
  await user.click((await screen.findAllByRole('option', { name: /Horizon/ }))[0]!);
  expect(onOr).toHaveBeenCalledWith(expect.objectContaining({ key: 'horizon' }));
});

keepsWhatIsTyped('a saved segment', {
  open: (onClose) => <SaveSegmentDialog tree={TREE as never} suggestion="New people" onClose={onClose} onSaved={onClose} />,
  label: 'Name',
  typed: 'New on the coast',
  route: 'POST /segments',
  answer: { id: '9', name: 'New on the coast' },
  field: 'name',
});

test('one that is saved is renamed, and shared with the team', async () => {
  const asked = answering({ 'PATCH /segments/4': { id: '4', name: 'Fresh' } });
  const onSaved = jest.fn();
  const { user } = show(
    <SaveSegmentDialog
      tree={TREE as never}
      suggestion=""
      renaming={{ id: '4', name: 'New people', team: false } as never}
      onClose={jest.fn()}
      onSaved={onSaved}
    />,
  );
  await user.clear(screen.getByLabelText('Name'));
  await user.type(screen.getByLabelText('Name'), 'Fresh');
  await user.click(screen.getByRole('checkbox', { name: /^Share with the team/ }));
  await user.click(screen.getByRole('button', { name: /^Save/ }));
  await waitFor(() => expect(sentTo(asked, 'PATCH /segments/4')).toEqual({ name: 'Fresh', team: true }));
  expect(await screen.findByText('Now called “Fresh”.')).toBeVisible();
  expect(onSaved).toHaveBeenCalled();
});
