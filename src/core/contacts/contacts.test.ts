import fc from 'fast-check';
import { OUTCOME_KEYS } from '../calling';
import {
  foldFact,
  handRaisedAt,
  HORIZONS,
  nextTouch,
  noFacts,
  sentenceOf,
  stageAfter,
  STAGES,
  stepOf,
  type Activity,
  type Because,
  type Stage,
} from '.';

const STAGE_KEYS: Stage[] = [...STAGES.map(({ key }) => key), 'reaching.1', 'talking.2', 'client.3', 'sphere.4'];
const at = fc.date({ min: new Date('2026-01-01'), max: new Date('2026-12-31'), noInvalidDate: true });
const activity: fc.Arbitrary<Activity> = fc.record({
  contactId: fc.constant('1'),
  userId: fc.constant(null),
  at,
  kind: fc.constantFrom('inquiry', 'call', 'outcome', 'message', 'note', 'stage', 'opened', 'visit', 'saved_home'),
  channel: fc.constantFrom('text', 'email', 'letter', 'call'),
  direction: fc.constantFrom('in', 'out'),
  data: fc.record({
    outcome: fc.constantFrom(...OUTCOME_KEYS),
    was: fc.constantFrom(...OUTCOME_KEYS),
    talkSeconds: fc.nat(900),
    automatic: fc.boolean(),
    autoReply: fc.boolean(),
    optOut: fc.boolean(),
    stage: fc.constantFrom(...STAGE_KEYS),
  }),
  because: fc.constant(null),
});

test('facts do not depend on the order in which activities are folded', () => {
  fc.assert(
    fc.property(fc.array(activity, { maxLength: 30 }), fc.integer(), (activities, seed) => {
      const shuffled = activities
        .map((one, place) => ({ one, key: Math.imul(place + 1, seed | 1) }))
        .sort((a, b) => a.key - b.key)
        .map(({ one }) => one);
      expect(shuffled.reduce(foldFact, noFacts())).toEqual(activities.reduce(foldFact, noFacts()));
    }),
  );
});

test('what a person did elsewhere is counted, and an outcome that is corrected counts anew', () => {
  const line = (day: number, kind: Activity['kind'], data: Activity['data'] = {}): Activity => ({
    contactId: '1',
    userId: null,
    at: new Date(Date.UTC(2026, 0, day)),
    kind,
    channel: kind === 'call' ? 'call' : null,
    direction: kind === 'call' ? 'out' : null,
    data,
    because: null,
  });
  const day = (n: number) => new Date(Date.UTC(2026, 0, n));
  expect(
    [line(3, 'opened'), line(2, 'opened'), line(5, 'visit'), line(6, 'saved_home'), line(7, 'viewed_home')].reduce(
      foldFact,
      noFacts(),
    ),
  ).toMatchObject({ emailsOpened: 2, lastOpenedAt: day(3), visits: 1, lastVisitAt: day(5), savedHomes: 1, lastSavedAt: day(6) });
  const called = [line(1, 'call', { outcome: 'short', talkSeconds: 30 })];
  expect([...called, line(2, 'outcome', { outcome: 'talked', was: 'short' })].reduce(foldFact, noFacts())).toMatchObject({
    reached: 1,
    conversations: 1,
    lastConversationAt: day(2),
  });
  expect([...called, line(2, 'outcome', { outcome: 'voicemail', was: 'short' })].reduce(foldFact, noFacts())).toMatchObject({
    reached: 0,
    conversations: 0,
    attempts: 1,
  });
});

test('a hand is raised from an answer until one of us reaches out; not by STOP, not by an automatic answer', () => {
  const line = (minute: number, more: Partial<Activity>): Activity => ({
    contactId: '1',
    userId: null,
    at: new Date(Date.UTC(2026, 0, 1, 0, minute)),
    kind: 'message',
    channel: 'text',
    direction: 'in',
    data: {},
    because: null,
    ...more,
  });
  const raised = (...lines: Activity[]) => handRaisedAt(lines.reduce(foldFact, noFacts()))?.getUTCMinutes() ?? null;
  expect(raised(line(1, {}))).toBe(1);
  expect(raised(line(1, {}), line(2, { direction: 'out' }))).toBeNull();
  expect(raised(line(1, {}), line(2, { direction: 'out', data: { automatic: true } }))).toBe(1);
  expect(raised(line(1, {}), line(2, { kind: 'call', direction: 'out', data: { outcome: 'no_answer' } }))).toBeNull();
  expect(raised(line(1, { data: { optOut: true } }), line(2, { data: { autoReply: true } }))).toBeNull();
});

test('a stage never lies: it moves on by itself and never back', () => {
  const rank = (stage: string) => ['new', 'reaching', 'talking'].indexOf(stepOf(stage));
  fc.assert(
    fc.property(fc.constantFrom(...STAGE_KEYS), activity, (stage, one) => {
      const after = stageAfter(stage, one);
      if (rank(stage) < 0 || stepOf(stage) === 'talking') expect(after).toBe(stage);
      else expect(rank(after)).toBeGreaterThanOrEqual(rank(stage));
    }),
  );
  const call = (outcome: 'talked' | 'voicemail'): Activity => ({
    contactId: '1',
    userId: null,
    at: new Date(),
    kind: 'call',
    channel: 'call',
    direction: 'out',
    data: { outcome },
    because: null,
  });
  expect([
    stageAfter('new', call('voicemail')),
    stageAfter('new', call('talked')),
    stageAfter('reaching', call('voicemail')),
    stageAfter('reaching.7', call('voicemail')),
    stageAfter('reaching.7', call('talked')),
    stageAfter('client.7', call('talked')),
  ]).toEqual(['reaching', 'talking', 'reaching', 'reaching.7', 'talking', 'client.7']);
});

test('the next touch is a promise, or else the rhythm of the horizon; nobody archived is due', () => {
  const from = new Date('2026-11-01T00:00:00Z');
  const task = { dueAt: new Date('2026-11-30T00:00:00Z'), kind: 'promise' } as const;
  expect(nextTouch('talking', 'hot', task, from)).toEqual({ at: task.dueAt, kind: 'promise' });
  expect(HORIZONS.map(({ key }) => nextTouch('talking', key, null, from)!.at.toISOString().slice(0, 10))).toEqual([
    '2026-11-03',
    '2026-11-11',
    '2026-12-06',
    '2027-01-30',
  ]);
  expect(nextTouch('talking', 'hot', null, from, { hot: 5 })!.at.toISOString().slice(0, 10)).toBe('2026-11-06');
  expect([nextTouch('talking', null, null, from), nextTouch('archived', 'hot', task, from)]).toEqual([null, null]);
});

test('every reason is one plain sentence', () => {
  const zone = 'America/Los_Angeles';
  const until = '2026-11-24T16:00:00Z';
  const reasons: Because[] = [
    { why: 'returning', agent: 'Asta Lund' },
    {
      why: 'round_robin',
      rung: 1,
      who: 'Buyers',
      roster: 'Coast agents',
      agent: 'Asta Lund',
      skipped: ['Mirela Stan', 'Teo Marchetti'],
    },
    { why: 'safety_net', roster: 'Coast agents', agent: 'Ines Kolar', cause: 'all_away' },
    { why: 'safety_net', roster: null, agent: 'Ines Kolar', cause: 'no_rung' },
    { why: 'kept_by_hand', agent: 'Asta Lund' },
    { why: 'handed_by', agent: 'Asta Lund', by: 'Ines Kolar' },
    { why: 'arrived', campaign: 'New buyer' },
    ...(['on_the_phone', 'already_in', 'not_followed_up', 'other_campaign'] as const).map((cause): Because => ({
      why: 'not_enrolled',
      campaign: 'New buyer',
      cause,
      stage: 'client',
    })),
    { why: 'answered', channel: 'text', campaign: 'New buyer' },
    { why: 'answered', channel: 'call', campaign: 'New buyer' },
    { why: 'opted_out', channel: 'email', campaign: 'New buyer' },
    { why: 'stage_reached', stage: 'client', campaign: 'New buyer' },
    { why: 'stopped_by', by: 'Asta Lund', campaign: 'New buyer' },
    { why: 'ran_through', campaign: 'New buyer' },
    { why: 'quiet_hours', channel: 'text', until, zone, from: '08:00', to: '21:00' },
    { why: 'on_the_phone_now', channel: 'text', until, zone },
    { why: 'no_permission', channel: 'text' },
    { why: 'withdrawn', channel: 'text', on: until, zone, how: 'they answered “STOP”' },
    { why: 'do_not_contact', channel: 'letter' },
    ...(['call', 'email', 'letter'] as const).map((channel): Because => ({ why: 'no_address', channel })),
    { why: 'address_broken', channel: 'call', error: 'wrong number' },
    { why: 'not_followed_up', channel: 'email', stage: 'client' },
    { why: 'has_answered', channel: 'email' },
    { why: 'refused', channel: 'email', error: '550 no such mailbox' },
    { why: 'campaign_day', campaign: 'New buyer', day: 2 },
    { why: 'no_owner', channel: 'text' },
  ];
  for (const because of reasons) {
    const sentence = sentenceOf(because);
    expect(sentence).toMatch(/^[A-Z“].*\.$/);
    expect(sentence).not.toMatch(/undefined|null|NaN|\{|_/);
  }
  expect(sentenceOf(reasons[1]!)).toBe(
    'Rung 1, “Buyers”: Coast agents (round robin), Asta Lund was next; Mirela Stan and Teo Marchetti are away.',
  );
});
