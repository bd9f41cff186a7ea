/** Steps back and forward, and changes from before, which can be discarded. */
import { screen } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { HistoryButtons, UnsavedNotice } from '.';

test('a step is offered only where there is one', async () => {
  const [back, forward] = [jest.fn(), jest.fn()];
  const { user } = show(<HistoryButtons history={{ back, forward, mayBack: true, mayForward: false }} />);
  await user.click(screen.getByRole('button', { name: 'Undo' }));
  expect(back).toHaveBeenCalledTimes(1);
  expect(screen.getByRole('button', { name: 'Redo' })).toBeDisabled();
});

test('changes from before are announced and can be discarded; without any there is nothing', async () => {
  const discard = jest.fn();
  const { user, rerender } = show(<UnsavedNotice history={{ isRestored: true, discard }} />);
  expect(screen.getByText(/^You have unsaved changes from before\./).closest('[role="status"]')).not.toBeNull();
  await user.click(screen.getByRole('button', { name: 'Discard changes' }));
  expect(discard).toHaveBeenCalledTimes(1);
  rerender(<UnsavedNotice history={{ isRestored: false, discard }} />);
  expect(screen.queryByText(/^You have unsaved changes/)).toBeNull();
});
