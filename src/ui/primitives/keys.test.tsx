/** Shortcuts: the most urgent scope hears a key, and nobody while one types, typed a moment ago, or a dialog is open. */
import { screen } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { SCOPES, shortcutGroups, SHORTCUTS } from './shortcuts';
import { useShortcuts } from '.';

function Page({ onCall, hears }: { onCall: boolean; hears: (what: string) => void }) {
  useShortcuts('grid', { history: () => hears('history'), selectAll: () => hears('all') });
  useShortcuts('call', { hangUp: () => hears('hang up') }, onCall);
  return <input aria-label="Note" />;
}

test('h hangs up while a call is under way, and opens the history otherwise', async () => {
  const hears = jest.fn();
  const { user, rerender } = show(<Page onCall hears={hears} />);
  await user.keyboard('h');
  expect(hears.mock.calls).toEqual([['hang up']]);
  rerender(<Page onCall={false} hears={hears} />);
  await user.keyboard('h');
  expect(hears.mock.calls).toEqual([['hang up'], ['history']]);
});

test('letters with Shift are keys of their own', async () => {
  const hears = jest.fn();
  const { user } = show(<Page onCall={false} hears={hears} />);
  await user.keyboard('{Shift>}a{/Shift}');
  expect(hears).toHaveBeenCalledWith('all');
});

test('letters are text in a field, and for a moment after it lost the focus', async () => {
  const hears = jest.fn();
  const { user } = show(<Page onCall hears={hears} />);
  await user.type(screen.getByRole('textbox', { name: 'Note' }), 'hh');
  screen.getByRole('textbox', { name: 'Note' }).blur();
  await user.keyboard('h');
  expect(hears).not.toHaveBeenCalled();
});

test('nothing is heard behind a dialog', async () => {
  const hears = jest.fn();
  const { user } = show(
    <>
      <Page onCall hears={hears} />
      <div role="dialog" aria-label="Open" />
    </>,
  );
  await user.keyboard('h');
  expect(hears).not.toHaveBeenCalled();
});

test.each(SCOPES)('no key means two things in the scope %s', (scope) => {
  const keys = Object.values(SHORTCUTS[scope] as Record<string, readonly [string, string]>).flatMap(([all]) => all.split(','));
  expect(new Set(keys).size).toBe(keys.length);
});

test('the help has every scope that has a name, and says keys as they are written on a keyboard', () => {
  const groups = shortcutGroups();
  expect(groups.map(({ name }) => name)).toEqual(expect.arrayContaining(['Everywhere', 'In lists', 'During and after a call']));
  expect(groups.flatMap(({ keys }) => keys.map(([key]) => key))).toEqual(expect.arrayContaining(['?', 'Shift+A', 'j, ↓', 'g t']));
});
