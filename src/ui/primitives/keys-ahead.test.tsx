/** What is typed before an editor has come goes into its field, and into no shortcut. */
import { act, screen, waitFor } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { KeysAhead, lazily, useShortcuts } from '.';

function Editor() {
  return <input aria-label="Tag" autoFocus />;
}
const heard: string[] = [];
function Page({ Later }: { Later: React.ComponentType }) {
  useShortcuts('list', { next: () => void heard.push('j') });
  return <Later />;
}

test('letters typed ahead stand in the field that has the focus, mended as typed; no key acts meanwhile', async () => {
  let come: (editor: typeof Editor) => void = () => {};
  const coming = new Promise<typeof Editor>((resolve) => (come = resolve));
  const Later = lazily(
    () => coming,
    () => <KeysAhead />,
  );
  const { user } = show(<Page Later={Later} />);
  await user.keyboard('jumpx{Backspace}');
  expect(heard).toEqual([]);
  act(() => come(Editor));
  await waitFor(() => expect(screen.getByRole('textbox', { name: 'Tag' })).toHaveValue('jump'));
  await user.keyboard('ing');
  expect(screen.getByRole('textbox', { name: 'Tag' })).toHaveValue('jumping');
});

test('Enter typed ahead comes after what was typed before it', async () => {
  const entered = jest.fn();
  let come: (editor: React.ComponentType) => void = () => {};
  const coming = new Promise<React.ComponentType>((resolve) => (come = resolve));
  const Later = lazily(
    () => coming,
    () => <KeysAhead />,
  );
  const { user } = show(<Page Later={Later} />);
  await user.keyboard('jump{Enter}');
  act(() =>
    come(() => (
      <input aria-label="Tag" autoFocus onKeyDown={({ key, currentTarget }) => void entered(key, currentTarget.value)} />
    )),
  );
  await waitFor(() => expect(entered.mock.calls).toEqual([['Enter', 'jump']]));
});

test('keys that are no letters go on to whom they are for', async () => {
  const onKeyDown = jest.fn();
  const { user } = show(
    <div onKeyDown={onKeyDown}>
      <button autoFocus>Here</button>
      <KeysAhead />
    </div>,
  );
  await user.keyboard('{Escape}a');
  expect(onKeyDown.mock.calls.map(([event]: [KeyboardEvent]) => event.key)).toEqual(['Escape']);
});
