/** What stands around every page: the clock that is moved, all shortcuts on one page, how one wants to hear of leads. */
import { screen, waitFor, within } from '@testing-library/react';
import { shortcutGroups } from '../primitives';
import { answering, sentTo, show } from '../../../tests/harness/render';
import { AlertsDialog } from './alerts-dialog';
import { ClockMenu } from './clock-menu';
import { HelpDialog } from './help';

describe('the clock', () => {
  test('where time is simulated it is moved, and says what happened meanwhile', async () => {
    const asked = answering({ 'POST /simulation/advance': { instants: 1_204 } });
    const { user } = show(<ClockMenu simulated held={false} />);
    const clock = screen.getByRole('button', { name: /^Simulated time Nov 23, 10:24 AM/ });
    await user.click(clock);
    await user.click(await screen.findByRole('menuitem', { name: '+1 day' }));
    await waitFor(() => expect(sentTo(asked, 'POST /simulation/advance')).toEqual({ by: 'P1D' }));
    expect(await screen.findByText('Time moved ahead. 1,204 things happened.')).toBeVisible();
  });

  test('while it moves it cannot be moved again', () => {
    answering({});
    show(<ClockMenu simulated held />);
    const clock = screen.getByRole('button', { name: /^Simulated time/ });
    expect(clock).toBeDisabled();
    expect(clock).toHaveAttribute('aria-busy', 'true');
  });

  test('in real time it only tells the time', () => {
    answering({});
    show(<ClockMenu simulated={false} held={false} />);
    expect(screen.getByText('Nov 23, 10:24 AM')).toBeVisible();
    expect(screen.queryByRole('button')).toBeNull();
  });
});

test('every shortcut stands on one page, with what it does', async () => {
  answering({});
  const onClose = jest.fn();
  const { user } = show(<HelpDialog onClose={onClose} />);
  const dialog = within(await screen.findByRole('dialog', { name: 'Shortcuts' }));
  for (const { name, keys } of shortcutGroups()) {
    const group = within(dialog.getByRole('region', { name }));
    for (const [key, does] of keys) expect(group.getByText(does).parentElement).toHaveTextContent(key);
  }
  await user.keyboard('{Escape}');
  expect(onClose).toHaveBeenCalled();
});

describe('lead alerts', () => {
  const notifications = (permission: NotificationPermission) => {
    const requestPermission = jest.fn(() => Promise.resolve(permission));
    Object.defineProperty(window, 'Notification', {
      configurable: true,
      value: Object.assign(jest.fn(), { permission: 'default', requestPermission }),
    });
    return requestPermission;
  };
  const open = () => {
    const asked = answering({ 'GET /preferences': {}, 'PUT /preferences': {} });
    const onClose = jest.fn();
    return { asked, onClose, ...show(<AlertsDialog onClose={onClose} />) };
  };

  test('sound and the browser are chosen, and are theirs on every device', async () => {
    notifications('granted');
    const { user, asked, onClose } = open();
    await user.click(await screen.findByRole('checkbox', { name: 'Play a sound' }));
    await user.click(screen.getByRole('checkbox', { name: /^Show a browser notification/ }));
    await waitFor(() => expect(screen.getByRole('checkbox', { name: /^Show a browser notification/ })).toBeChecked());
    await user.click(screen.getByRole('button', { name: 'Save' }));
    expect(onClose).toHaveBeenCalled();
    await waitFor(() => expect(sentTo(asked, 'PUT /preferences')).toEqual({ lead_alerts: { sound: true, browser: true } }));
  });

  test('a browser that refuses says so, and the box stays empty', async () => {
    notifications('denied');
    const { user } = open();
    await user.click(await screen.findByRole('checkbox', { name: /^Show a browser notification/ }));
    expect(await screen.findByRole('alert')).toHaveTextContent('Your browser blocks notifications from Urraca.');
    expect(screen.getByRole('checkbox', { name: /^Show a browser notification/ })).not.toBeChecked();
  });
});
