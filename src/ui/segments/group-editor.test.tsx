/** A group of conditions: any, all or none of them; one more; or the group taken out. */
import { screen, waitFor } from '@testing-library/react';
import type { Condition, Tree } from '@/core/segments';
import { answering, show } from '../../../tests/harness/render';
import { GroupEditor } from './group-editor';

const STAGE: Condition = { on: 'stage', how: 'any', of: ['new'] };
const HORIZON: Condition = { on: 'horizon', how: 'any', of: ['hot'] };
const GROUP = { any: [STAGE, HORIZON] } as Exclude<Tree, Condition>;
const open = (about?: 'people' | 'lead') => {
  answering({});
  const onChange = jest.fn();
  return { onChange, ...show(<GroupEditor group={GROUP} fields={[]} about={about} onChange={onChange} />) };
};

test('it says which of its conditions people must meet', async () => {
  const { user, onChange } = open();
  expect(screen.getByRole('radio', { name: 'any of these' })).toBeChecked();
  await user.click(screen.getByRole('radio', { name: 'none of these' }));
  expect(onChange).toHaveBeenLastCalledWith({ none: [STAGE, HORIZON] });
  await user.click(screen.getByRole('radio', { name: 'all of these' }));
  expect(onChange).toHaveBeenLastCalledWith({ all: [STAGE, HORIZON] });
});

test('one more condition is found by typing, and joins the others in the same way', async () => {
  const { user, onChange } = open();
  await user.click(screen.getByRole('button', { name: 'Add condition…' }));
  expect(screen.getByRole('combobox', { name: 'What to filter by' })).toHaveFocus();
  await user.keyboard('Max pr');
  await user.click(await screen.findByRole('option', { name: 'Max price' }));
  const [{ any }] = onChange.mock.lastCall as [{ any: Condition[] }];
  expect(any.slice(0, 2)).toEqual([STAGE, HORIZON]);
  expect(any[2]).toMatchObject({ on: 'wants_price_max' });
});

test.each([
  ['lead', true],
  ['people', false],
] as const)('of %s the door of the inquiry can be asked: %s', async (about, offered) => {
  const { user } = open(about);
  await user.click(screen.getByRole('button', { name: 'Add condition…' }));
  await user.keyboard('Door it came by');
  if (offered) expect(await screen.findByRole('option', { name: 'Door it came by' })).toBeInTheDocument();
  else await waitFor(() => expect(screen.queryByRole('option')).toBeNull());
});

test('the group is taken out', async () => {
  const { user, onChange } = open();
  await user.click(screen.getByRole('button', { name: 'Remove group' }));
  expect(onChange).toHaveBeenCalledWith(null);
});
