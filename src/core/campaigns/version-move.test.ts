import { copied, emptyStep, freshId, meaningFor, placeIn, stepsIn, type Step } from '.';

const touch = (id: number): Step => ({
  id,
  do: 'touch',
  channel: 'email',
  when: { after: 'start', days: id, at: '10:00' },
  words: { text: 'x', plain: 'x' },
});
const parting = (id: number, yes: Step[], no: Step[]): Step => ({
  id,
  do: 'branch',
  when: { after: 'last', minutes: 0 },
  ask: { about: 'has_phone' },
  yes,
  no,
});
const plan = (steps: Step[], repeat: { days: number; times: number | null } | null = null) => ({ steps, repeat });

describe('where somebody goes on', () => {
  test('at their step while it is there; behind what they have had when it is gone; at the beginning when they had nothing', () => {
    const next = plan([touch(0), touch(2), touch(3)]);
    expect(placeIn(next, { step: 2, round: 0, had: [0] })).toEqual({ step: 2, round: 0 });
    expect(placeIn(next, { step: 1, round: 0, had: [0] })).toEqual({ step: 2, round: 0 });
    expect(placeIn(next, { step: 1, round: 0, had: [] })).toEqual({ step: 0, round: 0 });
    expect(placeIn(next, { step: 1, round: 0, had: [0, 2, 3] })).toBeNull();
  });
  test('never on the way that they did not take', () => {
    const next = plan([touch(0), parting(1, [touch(2)], [touch(3)]), touch(4)]);
    expect(placeIn(next, { step: 9, round: 0, had: [0, 2] })).toEqual({ step: 4, round: 0 });
  });
  test('in a campaign that begins again, in the round after', () => {
    const again = plan([touch(0)], { days: 30, times: null });
    expect(placeIn(again, { step: 1, round: 4, had: [0] })).toEqual({ step: 0, round: 5 });
    expect(placeIn({ ...again, repeat: { days: 30, times: 5 } }, { step: 1, round: 4, had: [0] })).toBeNull();
  });
  test('what it means for all is counted by step', () => {
    const next = plan([touch(5), touch(0), touch(2)]);
    const people = [
      { step: 1, round: 0, had: [0] },
      { step: 0, round: 0, had: [] },
      { step: 0, round: 0, had: [2] },
    ];
    expect(meaningFor(next, people)).toEqual({ people: 3, twice: { 2: 1 }, never: { 5: 3 }, astray: 1 });
  });
});

test('an id is never given twice, also when its step is gone', () => {
  expect(freshId([touch(0), touch(1)], 7)).toBe(7);
  expect(emptyStep([touch(9)], 'email', 1, 7).id).toBe(10);
});

test('a parting of ways is copied with its ways, each step with an id of its own', () => {
  const steps = copied([touch(0), parting(1, [touch(2)], [parting(3, [], [touch(4)])])], 1, 0);
  const ids = stepsIn(steps).map(({ id }) => id);
  expect(ids).toHaveLength(9);
  expect(new Set(ids).size).toBe(9);
});
