/** Guardrails: each setting in its own field, holidays by name or date, what is wrong at its field. */
import { screen, waitFor, within } from '@testing-library/react';
import { SETTING_KEYS, SETTINGS, type SettingsView } from '@/core/accounts';
import { answering, sentTo, show, wrongAt } from '../../../tests/harness/render';
import { Guardrails } from './guardrails';

const FIRST = Object.fromEntries(
  SETTING_KEYS.map((key) => [SETTINGS[key].name, SETTINGS[key].default]),
) as unknown as SettingsView;
const holidays = () =>
  within(screen.getByRole('list', { name: 'Holidays' }))
    .getAllByRole('listitem')
    .map((one) => one.textContent);

test('holidays are shown by their names, and added by name or as people write a date', async () => {
  const asked = answering({ 'PATCH /settings': FIRST });
  const { user } = show(<Guardrails first={FIRST} />);
  expect(holidays()).toEqual(['New Year’s Day (Jan 1)', 'Independence Day (Jul 4)', 'Thanksgiving', 'Christmas Day (Dec 25)']);
  await user.selectOptions(screen.getByLabelText('Holidays', { selector: 'select' }), 'Memorial Day');
  const date = () => screen.getByLabelText('Another day without automatic messages');
  await user.type(date(), '3/17{Tab}');
  expect(date()).toHaveValue('');
  await user.type(date(), '11/27/2026{Tab}');
  await user.click(screen.getByRole('button', { name: /Independence Day/ }));
  expect(holidays()).toEqual([
    'New Year’s Day (Jan 1)',
    'Thanksgiving',
    'Christmas Day (Dec 25)',
    'Memorial Day',
    'Mar 17, every year',
    'Nov 27, 2026',
  ]);
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await waitFor(() =>
    expect(sentTo(asked, 'PATCH /settings')).toMatchObject({
      holidays: ['01-01', 'thanksgiving', '12-25', 'memorial-day', '03-17', '2026-11-27'],
    }),
  );
});

test('a time that the law does not allow is said at its field', async () => {
  const { name, label } = SETTINGS.sendEnd;
  answering({ 'PATCH /settings': wrongAt(name, 'cannot be later than 9 PM') });
  const { user } = show(<Guardrails first={FIRST} />);
  const box = screen.getByLabelText(label);
  await user.clear(box);
  await user.type(box, '10 PM{Tab}');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  expect(await screen.findByText(`${label} cannot be later than 9 PM`)).toBeVisible();
  expect(box).toHaveValue('10 PM');
});
