/** Prices, numbers and phones in any usual spelling, shown as they were understood. */
import { useState } from 'react';
import { screen } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { MoneyField, NumberField, PhoneField } from '.';

function Price({ onChange }: { onChange: (value: number | null) => void }) {
  const [value, setValue] = useState<number | null>(null);
  return (
    <MoneyField
      label="Max price"
      value={value}
      onChange={(next) => {
        setValue(next);
        onChange(next);
      }}
    />
  );
}

test.each([
  ['$400k', 400_000, '$400,000'],
  ['1.2M', 1_200_000, '$1,200,000'],
  ['469,400', 469_400, '$469,400'],
  ['12.50', 12.5, '$12.50'],
])('the price %s', async (typed, read, shown) => {
  const changed = jest.fn();
  const { user } = show(<Price onChange={changed} />);
  await user.type(screen.getByRole('textbox', { name: 'Max price' }), typed);
  await user.tab();
  expect(changed).toHaveBeenLastCalledWith(read);
  expect(screen.getByRole('textbox', { name: 'Max price' })).toHaveValue(shown);
});

test('a price that cannot be read is told at the field, and stays as typed', async () => {
  const changed = jest.fn();
  const { user } = show(<Price onChange={changed} />);
  await user.type(screen.getByRole('textbox', { name: 'Max price' }), 'a lot');
  await user.tab();
  expect(changed).not.toHaveBeenCalled();
  expect(screen.getByRole('textbox', { name: 'Max price' })).toBeInvalid();
  expect(screen.getByRole('alert')).toHaveTextContent('Enter a price like $400,000 or 400k');
});

test('a phone with its extension, a number with a comma', async () => {
  const phone = jest.fn();
  const number = jest.fn();
  const { user } = show(
    <>
      <PhoneField label="Phone" value={null} onChange={phone} />
      <NumberField label="Days" value={null} onChange={number} />
    </>,
  );
  await user.type(screen.getByRole('textbox', { name: 'Phone' }), '(360) 555-0142 x12');
  await user.type(screen.getByRole('textbox', { name: 'Days' }), '1,500');
  await user.tab();
  expect(phone).toHaveBeenCalledWith('+13605550142 x12');
  expect(number).toHaveBeenCalledWith(1_500);
});
