/** What the timeline says of each kind of activity. */
import { ACTIVITIES, ACTIVITY_KINDS, detailOf, REPORTED_KINDS, type TimelineWords } from '.';

const line = (kind: TimelineWords['kind'], more: Partial<TimelineWords> = {}): TimelineWords => ({
  kind,
  channel: null,
  direction: null,
  text: null,
  because: null,
  by: null,
  data: {},
  ...more,
});
const LOCALE = { zone: 'America/Los_Angeles', address: (from: string | undefined) => from ?? 'them' };

test.each(ACTIVITY_KINDS)('%s has a headline and details, whatever is known of it', (kind) => {
  for (const one of [line(kind), line(kind, { text: 'Words', because: 'A reason.', by: 'Ada Test', channel: 'text' })]) {
    const words = `${ACTIVITIES[kind].headline(one)} ${detailOf(one, LOCALE)}`;
    expect(words).not.toMatch(/null|NaN|\[object/);
    if (kind !== 'enrolled') expect(words).not.toMatch(/undefined/);
  }
});

test('a message says who wrote it, and the rest says why it happened', () => {
  const message = (more: Partial<TimelineWords>) => detailOf(line('message', { channel: 'text', ...more }), LOCALE);
  expect(message({ direction: 'in', data: { from: '+15645550111', optOut: true } })).toBe(
    'Text from +15645550111 · a request to stop',
  );
  expect(message({ direction: 'out', by: 'Ada Test' })).toBe('Text by Ada Test');
  expect(message({ direction: 'out', data: { automatic: true, campaign: 'New buyer', day: 2 } })).toBe(
    'Text by “New buyer”, day 2',
  );
  expect(message({ direction: 'out', data: { automatic: true }, because: 'Broadcast “May”.' })).toBe('Text, Broadcast “May”.');
  expect(detailOf(line('enrolled', { because: 'New inquiry: started “New buyer”.' }), LOCALE)).toBe(
    'New inquiry: started “New buyer”.',
  );
  expect(detailOf(line('held', { because: 'It is late.' }), LOCALE)).toBe('');
});

test('a call says how long it was, and from whom it came', () => {
  const { headline } = ACTIVITIES.call;
  expect(headline(line('call', { direction: 'out', data: { outcome: 'talked', talkSeconds: 75 } }))).toMatch(/, 1 min/);
  expect(headline(line('call', { direction: 'in' }))).toBe('Called us, no one answered');
});

test('what another program may report is what people do elsewhere', () => {
  expect(REPORTED_KINDS).toEqual(['call', 'opened', 'visit', 'viewed_home', 'saved_home']);
});
