/** Time off: from the first day through the end of the last, where one is; canceled again. */
import { screen, waitFor } from '@testing-library/react';
import { answering, sentTo, show } from '../../../tests/harness/render';
import { TimeOffDialog } from './time-off-dialog';

const AWAY = 'PUT /users/7/away';

test('days are typed as people write them', async () => {
  const asked = answering({ 'GET /users/7/profile': { away_until: null }, [AWAY]: null });
  const { user } = show(<TimeOffDialog userId="7" onClose={jest.fn()} />);
  const last = screen.getByLabelText('Last day off');
  await user.clear(last);
  await user.type(last, '12/4/2026{Enter}');
  await waitFor(() =>
    expect(sentTo(asked, AWAY)).toEqual({ from: '2026-11-23T08:00:00.000Z', until: '2026-12-05T08:00:00.000Z' }),
  );
});

test('what is set is canceled', async () => {
  const asked = answering({ 'GET /users/7/profile': { away_until: '2026-12-05T08:00:00Z' }, [AWAY]: null });
  const onClose = jest.fn();
  const { user } = show(<TimeOffDialog userId="7" onClose={onClose} />);
  await user.click(await screen.findByRole('button', { name: 'Cancel my time off' }));
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(sentTo(asked, AWAY)).toEqual({ from: null, until: null });
});
