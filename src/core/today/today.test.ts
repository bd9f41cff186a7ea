import fc from 'fast-check';
import { rankToday, TODAY_GROUPS, type TodayCandidate } from '.';

const NOW = new Date('2026-11-23T18:00:00Z');
const END = new Date('2026-11-24T08:00:00Z');
const person = (id: number, more: Partial<TodayCandidate> = {}): TodayCandidate => ({
  contactId: String(id),
  name: `P${id}`,
  stage: 'talking',
  horizon: null,
  horizonName: null,
  horizonStrokes: 0,
  ownerName: null,
  handRaisedAt: null,
  lastAnswer: null,
  lastAnswerChannel: null,
  arrivedAt: NOW,
  tried: true,
  ask: null,
  nextTouchAt: null,
  nextTouchKind: null,
  nextTouchNote: null,
  lastOutcome: null,
  ...more,
});
const ago = (minutes: number) => new Date(NOW.getTime() - minutes * 60_000);
const order = (...people: TodayCandidate[]) => rankToday(people, NOW, END).map(({ contactId }) => contactId);

test('answers first and the oldest of them, then new leads with the newest first, promises by their hour, then the rhythm by warmth', () => {
  expect(
    order(
      person(1, { nextTouchAt: ago(60 * 24 * 9), nextTouchKind: 'rhythm', horizonStrokes: 1 }),
      person(2, { nextTouchAt: ago(60 * 24), nextTouchKind: 'rhythm', horizonStrokes: 4 }),
      person(3, { nextTouchAt: new Date('2026-11-23T23:00:00Z'), nextTouchKind: 'promise' }),
      person(4, { nextTouchAt: ago(30), nextTouchKind: 'promise' }),
      person(5, { stage: 'new', tried: false, arrivedAt: ago(50) }),
      person(6, { stage: 'new', tried: false, arrivedAt: ago(2) }),
      person(7, { handRaisedAt: ago(5) }),
      person(8, { handRaisedAt: ago(90) }),
    ),
  ).toEqual(['8', '7', '6', '5', '4', '3', '2', '1']);
});

test('a person stands once, under the strongest reason, and carries the others', () => {
  const [entry] = rankToday(
    [
      person(1, {
        handRaisedAt: ago(5),
        lastAnswer: 'yes please',
        nextTouchAt: ago(30),
        nextTouchKind: 'promise',
        nextTouchNote: 'Send the tax history',
      }),
    ],
    NOW,
    END,
  );
  expect(entry!.reasons.map(({ group, text }) => `${group}: ${text}`)).toEqual([
    'asked: yes please',
    'promised: Send the tax history',
  ]);
});

test('nobody stands there without a reason; the order is total and does not depend on the order of the input', () => {
  const candidate = fc.record({
    handRaisedAt: fc.option(fc.nat(500).map(ago), { nil: null }),
    stage: fc.constantFrom('new', 'talking'),
    tried: fc.boolean(),
    nextTouchAt: fc.option(fc.integer({ min: -3000, max: 3000 }).map(ago), { nil: null }),
    nextTouchKind: fc.constantFrom('promise', 'call', 'rhythm', null),
    horizon: fc.constantFrom('hot', 'warm', null),
  });
  fc.assert(
    fc.property(fc.array(candidate, { maxLength: 20 }), (drawn) => {
      const people = drawn.map((more, at) => person(at + 1, more as Partial<TodayCandidate>));
      const ranked = rankToday(people, NOW, END);
      expect(rankToday([...people].reverse(), NOW, END)).toEqual(ranked);
      const groups = ranked.map(({ reasons }) => TODAY_GROUPS.findIndex(({ key }) => key === reasons[0]!.group));
      expect(groups).toEqual([...groups].sort((a, b) => a - b));
    }),
  );
});

test('a birthday stands behind promises and before calls that are due, with the years when they are known', () => {
  const dated = { days: [{ kind: 'birthday' as const, label: '', year: 1985 }] };
  const list = rankToday(
    [
      person(1, { nextTouchAt: ago(5), nextTouchKind: 'call' }),
      person(2, dated),
      person(3, { nextTouchAt: ago(5), nextTouchKind: 'promise' }),
    ],
    NOW,
    END,
  );
  expect(list.map(({ contactId }) => contactId)).toEqual(['3', '2', '1']);
  expect(list[1]!.reasons[0]!.text).toBe('Birthday today, turning 41');
  expect(
    rankToday([person(4, { days: [{ kind: 'other', label: 'boat christening', year: null }] })], NOW, END)[0]!.reasons[0]!.text,
  ).toBe('Boat christening today');
});
