/** Notices stack: an Undo stays while others come. */
import { act, screen, waitFor, within } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { Button, undoLatest, useToast } from '.';

function Page({ undone }: { undone: () => void }) {
  const toast = useToast();
  return (
    <>
      <Button onClick={() => toast.tell('Moved to Talking', undone)}>Move</Button>
      <Button onClick={() => toast.tell('A lead came in')}>Lead</Button>
      <Button onClick={() => toast.fail(new Error('no network'))}>Fail</Button>
    </>
  );
}

test('one that arrives takes no Undo away', async () => {
  const undone = jest.fn();
  const { user } = show(<Page undone={undone} />);
  await user.click(screen.getByRole('button', { name: 'Move' }));
  await user.click(screen.getByRole('button', { name: 'Lead' }));
  expect(screen.getAllByRole('status').map((one) => one.textContent)).toEqual(
    expect.arrayContaining([expect.stringContaining('Moved to Talking'), expect.stringContaining('A lead came in')]),
  );
  await user.click(screen.getByRole('button', { name: 'Undo' }));
  expect(undone).toHaveBeenCalledTimes(1);
  await waitFor(() => expect(screen.queryByText('Moved to Talking')).not.toBeInTheDocument());
  expect(screen.getByText('A lead came in')).toBeInTheDocument();
});

test('what went wrong is an alert, and each can be closed', async () => {
  const { user } = show(<Page undone={() => {}} />);
  await user.click(screen.getByRole('button', { name: 'Fail' }));
  expect(screen.getByRole('alert')).toBeInTheDocument();
  await act(() => user.click(screen.getAllByRole('button', { name: 'Close' }).at(-1)!));
  await waitFor(() => expect(screen.queryByRole('alert')).not.toBeInTheDocument());
});

test('z undoes the latest that is still there, then the one before; what was closed is not undone', async () => {
  const undone: string[] = [];
  function Two() {
    const toast = useToast();
    return (
      <Button
        onClick={() => {
          toast.tell('First.', () => undone.push('first'));
          toast.tell('Second.', () => undone.push('second'));
          toast.tell('Only news.');
        }}
      >
        Do both
      </Button>
    );
  }
  const { user } = show(<Two />);
  await user.click(screen.getByRole('button', { name: 'Do both' }));
  expect(await screen.findByText('Second.')).toBeVisible();
  expect([undoLatest(), undoLatest(), undoLatest()]).toEqual([true, true, false]);
  expect(undone).toEqual(['second', 'first']);
  await user.click(screen.getByRole('button', { name: 'Do both' }));
  const first = await screen.findAllByText('First.');
  await user.click(within(first.at(-1)!.parentElement!).getByRole('button', { name: 'Close' }));
  await waitFor(() => expect(undoLatest()).toBe(true));
  expect(undone.at(-1)).toBe('second');
});
