import { ACTIVITY_KINDS } from '../contacts';
import { DELIVERY_DELAYS, eventOf, nextDelay, WEBHOOK_EVENT_KEYS } from '.';

test('each event is what some activity is', () => {
  const heard = new Set(
    ACTIVITY_KINDS.flatMap((kind) => [eventOf({ kind, direction: 'in' }), eventOf({ kind, direction: 'out' })]),
  );
  expect([...heard].filter(Boolean).sort()).toEqual([...WEBHOOK_EVENT_KEYS].sort());
  expect(eventOf({ kind: 'message', direction: 'in' })).toBe('message.received');
  expect(eventOf({ kind: 'waits', direction: null })).toBeNull();
});

test('a failed delivery is tried again later each time, for about three days, and then given up', () => {
  expect(nextDelay(1)).toBe(5_000);
  expect([...DELIVERY_DELAYS]).toEqual([...DELIVERY_DELAYS].sort((a, b) => a - b));
  expect(DELIVERY_DELAYS.reduce((sum, one) => sum + one) / 86_400_000).toBeCloseTo(3.15, 1);
  expect(nextDelay(DELIVERY_DELAYS.length + 1)).toBeNull();
});
