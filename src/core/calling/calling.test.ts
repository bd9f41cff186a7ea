import fc from 'fast-check';
import {
  isConversationOutcome,
  isReached,
  isWrongNumber,
  NAMED_OUTCOMES,
  OUTCOME_KEYS,
  outcomeOf,
  progressCall,
  REACHED_SQL,
  type CallProgress,
  type CallReport,
} from '.';

const BEGUN: CallProgress = { state: 'dialing', answeredAt: null, endedAt: null, talkSeconds: 0, outcome: null };
const at = (seconds: number) => new Date(Date.UTC(2026, 0, 1) + seconds * 1000);
const play = (...reports: CallReport[]) => reports.reduce((call, report) => progressCall(call, report, 120), BEGUN);

test('talk runs from the answer to the end; the outcome follows from both', () => {
  expect(
    play({ state: 'ringing', at: at(0) }, { state: 'answered', at: at(5) }, { state: 'ended', at: at(125), end: 'answered' }),
  ).toMatchObject({ talkSeconds: 120, outcome: 'talked' });
  expect(play({ state: 'answered', at: at(5) }, { state: 'ended', at: at(124) })).toMatchObject({
    talkSeconds: 119,
    outcome: 'short',
  });
  expect(play({ state: 'answered', at: at(5) }, { state: 'ended', at: at(300), end: 'wrong-number' })).toMatchObject({
    talkSeconds: 0,
    outcome: 'wrong_number',
  });
  expect(play({ state: 'voicemail', at: at(20) }, { state: 'ended', at: at(200) })).toMatchObject({
    talkSeconds: 0,
    outcome: 'voicemail',
  });
  expect(outcomeOf('failed', 0, 120)).toBe('no_answer');
});

test('an outcome that the agent named during the call stands', () => {
  expect(
    progressCall({ ...BEGUN, state: 'answered', answeredAt: at(0), outcome: 'callback' }, { state: 'ended', at: at(300) }, 120)
      .outcome,
  ).toBe('callback');
});

test('repeats and late reports change nothing; once ended a call stays ended', () => {
  const report = fc.record({
    state: fc.constantFrom<CallReport['state']>('ringing', 'answered', 'voicemail', 'ended'),
    at: fc.nat(600).map(at),
  });
  fc.assert(
    fc.property(fc.array(report, { maxLength: 12 }), (reports) => {
      const once = play(...reports);
      expect(play(...reports, ...reports)).toEqual(once);
      if (once.state === 'ended') expect(progressCall(once, { state: 'ended', at: at(9999) }, 120)).toBe(once);
      expect(once.talkSeconds).toBeGreaterThanOrEqual(0);
    }),
  );
});

test('an outcome follows from its entry: what counts as reached, as a conversation, as a wrong number, what the agent names', () => {
  const of = (which: (key: (typeof OUTCOME_KEYS)[number]) => boolean) => OUTCOME_KEYS.filter(which);
  expect(of(isReached)).toEqual(['talked', 'callback', 'not_interested', 'short']);
  expect(of(isConversationOutcome)).toEqual(['talked']);
  expect(of(isWrongNumber)).toEqual(['wrong_number']);
  expect(NAMED_OUTCOMES.map(({ key }) => key)).toEqual(OUTCOME_KEYS.filter((key) => key !== 'short'));
  expect(REACHED_SQL).toBe(`('talked','callback','not_interested','short')`);
});
