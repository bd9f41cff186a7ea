/** Under one's own initials: what each role may choose for themselves, and what becomes of it. */
import { screen, waitFor } from '@testing-library/react';
import type { Role } from '@/core/accounts';
import { answering, going, refusal, sentTo, show, type Answers } from '../../../tests/harness/render';
import { Myself } from './myself';

const AWAY = 'PUT /users/2/away';
const open = async (role: Role = 'agent', answers: Answers = { [AWAY]: {} }) => {
  const asked = answering(answers);
  const doors = {
    onSearch: jest.fn(),
    onAdd: jest.fn(),
    onHelp: jest.fn(),
    onFormats: jest.fn(),
    onAlerts: jest.fn(),
    onLogin: jest.fn(),
    onProfile: jest.fn(),
    onTimeOff: jest.fn(),
  };
  const shown = show(<Myself me={{ id: '2', name: 'Asta Maria Lund', role }} {...doors} />);
  await shown.user.click(screen.getByRole('button', { name: 'Asta Maria Lund: setup, days off, log out' }));
  await screen.findByRole('menu');
  return { asked, ...doors, ...shown };
};
/* The first is one's own name, above the choices. */
const names = () =>
  screen
    .getAllByRole('menuitem')
    .slice(1)
    .map(({ textContent }) => textContent);
const choose = (name: string) => screen.getByRole('menuitem', { name });

test('the initials are two', async () => {
  await open();
  expect(screen.getByTitle('Asta Maria Lund')).toHaveTextContent(/^AM$/);
});

test('an agent has no Setup, a lender neither Setup nor days off', async () => {
  const { unmount } = await open();
  expect(names()).toEqual([
    'Day off',
    'Time off…',
    'Back from day off',
    'Lead alerts',
    'Date and number formats',
    'Light or dark',
    'Privacy mask Shift M',
    'Shortcuts ?',
    'Profile',
    'Login and security',
    'Log out',
  ]);
  unmount();
  await open('lender');
  expect(names()[0]).toBe('Date and number formats');
});

test('who runs the office goes to Setup', async () => {
  const went = going();
  const { user } = await open('owner');
  await user.click(choose('Setup'));
  expect(went).toEqual(['/setup']);
});

test('a day off begins, and ends when one is back', async () => {
  const { user, asked } = await open();
  await user.click(choose('Day off'));
  await waitFor(() => expect(sentTo(asked, AWAY)).toEqual({ until: '2026-11-24T18:24:00.000Z' }));
  expect(await screen.findByText('You’re off until this time tomorrow. Round robin will skip you.')).toBeVisible();
  await user.click(screen.getByTitle('Asta Maria Lund'));
  await user.click(await screen.findByRole('menuitem', { name: 'Back from day off' }));
  await waitFor(() => expect(sentTo(asked, AWAY)).toEqual({ until: null }));
  expect(await screen.findByText('You’re back and getting leads.')).toBeVisible();
});

test('a day off that is refused says why', async () => {
  const { user } = await open('agent', { [AWAY]: refusal(503, { code: 'unavailable', detail: 'Not saved. Try again.' }) });
  await user.click(choose('Day off'));
  expect(await screen.findByText('Not saved. Try again.')).toBeVisible();
});

test.each([
  ['Lead alerts', 'onAlerts'],
  ['Date and number formats', 'onFormats'],
  ['Shortcuts ?', 'onHelp'],
  ['Login and security', 'onLogin'],
  ['Profile', 'onProfile'],
  ['Time off…', 'onTimeOff'],
] as const)('%s opens', async (name, door) => {
  const { user, ...doors } = await open();
  await user.click(choose(name));
  expect(doors[door]).toHaveBeenCalledTimes(1);
});

test('the privacy mask says what is blurred, and what is seen again', async () => {
  const { user } = await open();
  await user.click(choose('Privacy mask Shift M'));
  expect(await screen.findByText('Phone numbers and emails are blurred.')).toBeVisible();
  expect(document.documentElement.dataset.mask).toBe('on');
  await user.click(screen.getByTitle('Asta Maria Lund'));
  await user.click(await screen.findByRole('menuitem', { name: 'Privacy mask Shift M' }));
  expect(await screen.findByText('Phone numbers and emails are visible.')).toBeVisible();
});
