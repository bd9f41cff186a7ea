/** Whole numbers within bounds: typed freely, taken once they are within, put within when one leaves. */
import { useState } from 'react';
import { screen } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { CountField, LimitField, SpanField } from '.';

const said: (number | null)[] = [];
beforeEach(() => said.splice(0));
function Days() {
  const [value, setValue] = useState(10);
  return <CountField label="Days" min={5} max={30} value={value} onChange={(next) => (said.push(next), setValue(next))} />;
}
function Cap() {
  const [value, setValue] = useState<number | null>(null);
  return (
    <LimitField
      label="Daily limit"
      placeholder="none"
      min={1}
      value={value}
      onChange={(next) => (said.push(next), setValue(next))}
    />
  );
}

test('it can be emptied while one types, and is what it was if nothing comes', async () => {
  const { user } = show(<Days />);
  const box = screen.getByRole('spinbutton', { name: 'Days' });
  await user.clear(box);
  expect(box).toHaveValue(null);
  await user.tab();
  expect(box).toHaveValue(10);
  expect(said).toEqual([]);
});

test('what is on its way within the bounds does not count yet', async () => {
  const { user } = show(<Days />);
  const box = screen.getByRole('spinbutton', { name: 'Days' });
  await user.clear(box);
  await user.type(box, '28');
  expect(said).toEqual([28]);
});

test('beyond its bounds it is the nearest within, once one leaves', async () => {
  const { user } = show(<Days />);
  const box = screen.getByRole('spinbutton', { name: 'Days' });
  await user.clear(box);
  await user.type(box, '99');
  expect(box).toHaveValue(99);
  await user.tab();
  expect(box).toHaveValue(30);
  await user.clear(box);
  await user.type(box, '2{Enter}');
  expect(said.at(-1)).toBe(5);
});

test('a limit may be none, and says so', async () => {
  const { user } = show(<Cap />);
  const box = screen.getByPlaceholderText('none');
  await user.type(box, '3');
  await user.clear(box);
  expect(said).toEqual([3, null]);
});

test('a length of time keeps its unit while its number is typed', async () => {
  function Span() {
    const [seconds, setSeconds] = useState(600);
    return <SpanField label="Time to accept" seconds={seconds} onChange={(next) => (said.push(next), setSeconds(next))} />;
  }
  const { user } = show(<Span />);
  const box = screen.getByLabelText('Time to accept');
  expect(box).toHaveValue(10);
  await user.clear(box);
  await user.type(box, '5{Enter}');
  expect(said.at(-1)).toBe(300);
  await user.selectOptions(screen.getByLabelText('Time to accept: unit'), 'hours');
  expect(said.at(-1)).toBe(18_000);
});
