/** Choosing from many: found while one types, read out as one goes through them, a new name made in passing. */
import { screen } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { Combo } from '.';

const TAGS = [
  { value: '1', name: 'lake' },
  { value: '2', name: 'lakeside' },
  { value: '3', name: 'dog people', note: '163' },
];
const field = () => screen.getByRole('combobox', { name: 'Add a tag' });

test('what is typed narrows the list; arrows and Enter pick', async () => {
  const picked = jest.fn();
  const { user } = show(<Combo label="Add a tag" options={TAGS} onPick={picked} />);
  await user.type(field(), 'lake');
  expect(screen.getAllByRole('option').map(({ textContent }) => textContent)).toEqual(['lake', 'lakeside']);
  await user.keyboard('{ArrowDown}');
  expect(field()).toHaveAttribute('aria-activedescendant', screen.getByRole('option', { name: 'lakeside' }).id);
  await user.keyboard('{Enter}');
  expect(picked).toHaveBeenCalledWith('2');
  expect(field()).toHaveValue('');
});

test('a name that is new can be made, one that is there is not offered again', async () => {
  const made = jest.fn();
  const { user } = show(<Combo label="Add a tag" options={TAGS} onPick={() => {}} onMake={made} makes="Create tag" />);
  await user.type(field(), 'Lake');
  expect(screen.queryByRole('option', { name: /Create tag/ })).toBeNull();
  await user.clear(field());
  await user.type(field(), '#choir{Enter}');
  expect(made).toHaveBeenCalledWith('choir');
});

test('nothing found is said, Esc leaves', async () => {
  const closed = jest.fn();
  const { user } = show(<Combo label="Add a tag" options={TAGS} onPick={() => {}} onClose={closed} empty="No such tag" />);
  await user.type(field(), 'zzz');
  expect(screen.getByText('No such tag')).toBeVisible();
  await user.keyboard('{Escape}');
  expect(closed).toHaveBeenCalled();
});
