/** What the columns of a file were taken for: corrected one at a time, without losing what was said of the others. */
import { screen, waitFor, within } from '@testing-library/react';
import type { ComponentProps } from 'react';
import { WORDS } from '../../../tests/harness/people-of-forms';
import { answering, show } from '../../../tests/harness/render';
import { Columns } from './columns';

const COLUMNS = [
  { at: 0, heading: 'First', target: 'first', sample: ['Odalys', 'Piet'] },
  { at: 1, heading: 'Cell', target: 'phone', order: 2, sample: ['(360) 555-0142'] },
  { at: 2, heading: 'Yacht', target: 'custom', place: 'note', sample: [] },
  { at: 3, heading: '', target: 'skip', sample: ['x'] },
] as unknown as ComponentProps<typeof Columns>['columns'];
const open = (change: Partial<ComponentProps<typeof Columns>> = {}) => {
  answering({ 'GET /vocabulary': WORDS });
  const onChange = jest.fn();
  return { onChange, ...show(<Columns columns={COLUMNS} office busy={false} onChange={onChange} {...change} />) };
};
const whatIs = (heading: string) => screen.getByRole('combobox', { name: `What “${heading}” is` });

test('every column says its heading, what it was taken for and what stands in it', () => {
  open();
  expect(screen.getByText('4 columns and what they mean')).toBeVisible();
  const rows = within(screen.getByRole('table', { name: 'Columns of the file' })).getAllByRole('row');
  expect(rows).toHaveLength(5);
  expect(rows[1]).toHaveTextContent('Odalys · Piet');
  expect(whatIs('First')).toHaveDisplayValue('First name');
  expect(whatIs('column 4')).toBeVisible();
});

test('one is corrected, the others stay as they were told', async () => {
  const { user, onChange } = open();
  await user.selectOptions(whatIs('First'), 'Last name');
  expect(onChange).toHaveBeenLastCalledWith([
    { target: 'last' },
    { target: 'phone', order: 2 },
    { target: 'custom', place: 'note' },
    { target: 'skip' },
  ]);
});

test('a column of one’s own goes into a field, a new field, or a note', async () => {
  const { user, onChange } = open();
  const place = screen.getByRole('combobox', { name: 'Where “Yacht” goes' });
  expect(place).toHaveDisplayValue('a note');
  await waitFor(() => expect(within(place).getByRole('option', { name: 'into “Boat”' })).toBeInTheDocument());
  await user.selectOptions(place, 'into “Boat”');
  expect(onChange).toHaveBeenLastCalledWith(expect.arrayContaining([{ target: 'custom', place: 'field:1' }]));
  await user.selectOptions(place, 'a new field');
  expect(onChange).toHaveBeenLastCalledWith(expect.arrayContaining([{ target: 'custom', place: 'new' }]));
});

test('who may add no field is not offered a new one', () => {
  open({ office: false });
  const place = screen.getByRole('combobox', { name: 'Where “Yacht” goes' });
  expect(within(place).queryByRole('option', { name: 'a new field' })).toBeNull();
});

test('while the file is read nothing can be changed', () => {
  open({ busy: true });
  for (const choice of screen.getAllByRole('combobox')) expect(choice).toBeDisabled();
});

test('many columns are folded until they are asked for', () => {
  const many = Array.from({ length: 20 }, (_, at) => ({ ...COLUMNS[0]!, at, heading: `Column ${at}` }));
  open({ columns: many });
  expect(screen.getByText('20 columns and what they mean').closest('details')).not.toHaveAttribute('open');
});
