/** Days and times in the spelling of whoever types them, shown as they were understood, refused in a sentence. */
import { useState } from 'react';
import { screen, waitFor } from '@testing-library/react';
import { ClockProvider, FormatProvider } from '../primitives';
import { show } from '../../../tests/harness/render';
import { DateField, TimeField } from '.';

const given = jest.fn();
function Fields({ yearless = false, first = null }: { yearless?: boolean; first?: string | null }) {
  const [day, setDay] = useState<string | null>(first);
  const [time, setTime] = useState<string | null>('09:00');
  return (
    <ClockProvider now="2026-11-23T18:24:00Z" held zone="America/Los_Angeles">
      <DateField
        label="Birthday"
        yearless={yearless}
        value={day}
        onChange={(next) => {
          given(next);
          setDay(next);
        }}
      />
      <TimeField
        label="Time"
        value={time}
        onChange={(next) => {
          given(next);
          setTime(next);
        }}
      />
    </ClockProvider>
  );
}
beforeEach(() => given.mockClear());
const field = (name: string) => screen.getByRole('textbox', { name });

test.each([
  ['3/1/1970', '1970-03-01', 'Mar 1, 1970'],
  ['March 1, 1970', '1970-03-01', 'Mar 1, 1970'],
  ['3-1-70', '1970-03-01', 'Mar 1, 1970'],
  ['12/24', '2026-12-24', 'Dec 24, 2026'],
  ['1/5', '2027-01-05', 'Jan 5, 2027'],
])('the day %j is %j, and is shown as %j', async (typed, day, shown) => {
  const { user } = show(<Fields />);
  await user.type(field('Birthday'), typed);
  await user.tab();
  expect(given).toHaveBeenLastCalledWith(day);
  expect(field('Birthday')).toHaveValue(shown);
});

test('a day that returns every year needs none', async () => {
  const { user } = show(<Fields yearless />);
  await user.type(field('Birthday'), 'Feb 29{Enter}');
  expect(given).toHaveBeenLastCalledWith('--02-29');
  expect(field('Birthday')).toHaveValue('Feb 29');
});

test('what cannot be read stays, with what to type instead; emptied is no day', async () => {
  const { user } = show(<Fields first="2026-12-24" />);
  await user.clear(field('Birthday'));
  await user.type(field('Birthday'), 'soonish');
  await user.tab();
  expect(field('Birthday')).toHaveValue('soonish');
  expect(field('Birthday')).toBeInvalid();
  expect(field('Birthday')).toHaveAccessibleDescription('Enter a date like 3/1/1970');
  expect(given).not.toHaveBeenCalled();
  await user.clear(field('Birthday'));
  await user.tab();
  expect(given).toHaveBeenLastCalledWith(null);
});

test('where days stand first, 3/1 is in January', async () => {
  const { user } = show(
    <FormatProvider choice={{ locale: 'en-GB', clock: null, weekStart: null }}>
      <Fields />
    </FormatProvider>,
  );
  await user.type(field('Birthday'), '3/1/1970{Enter}');
  expect(given).toHaveBeenLastCalledWith('1970-01-03');
  expect(field('Birthday')).toHaveValue('3 Jan 1970');
  expect(field('Time')).toHaveValue('09:00');
});

test('a time is typed as people say it', async () => {
  const { user } = show(<Fields />);
  expect(field('Time')).toHaveValue('9 AM');
  await user.clear(field('Time'));
  await user.type(field('Time'), '930p{Enter}');
  expect(given).toHaveBeenLastCalledWith('21:30');
  expect(field('Time')).toHaveValue('9:30 PM');
  await user.clear(field('Time'));
  await user.type(field('Time'), '25:00{Enter}');
  expect(field('Time')).toHaveAccessibleDescription('Enter a time like 9:30 AM or 9 PM');
});

test('a day is picked from the calendar by keyboard', async () => {
  const { user } = show(<Fields first="2026-11-23" />);
  await user.click(screen.getByRole('button', { name: 'Birthday: calendar' }));
  await waitFor(() => expect(screen.getByRole('gridcell', { name: '23' })).toBeInTheDocument());
  expect(screen.getAllByRole('columnheader')[0]).toHaveAccessibleName('Sunday');
  screen.getByRole('gridcell', { name: '23' }).focus();
  await user.keyboard('{ArrowRight}{Enter}');
  expect(given).toHaveBeenLastCalledWith('2026-11-24');
});
