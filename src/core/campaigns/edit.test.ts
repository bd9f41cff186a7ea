/** Changing a plan: steps take their place by time, ids stay what they are, ways of a branch are steps like others. */
import { added, copied, emptyStep, freshId, moved, removed, replaced, stepsIn, stepWords, whenWords, type Step } from '.';

const text = (id: number, days: number, at = '10:00'): Step => ({
  id,
  when: { after: 'start', days, at },
  do: 'touch',
  channel: 'text',
  words: { text: `Words ${id}`, plain: 'Words' },
});
const after = (id: number, days: number): Step => ({ ...text(id, days), when: { after: 'last', days, at: '09:00' } });
const branch = (id: number, days: number, yes: Step[], no: Step[]): Step => ({
  id,
  when: { after: 'start', days, at: '10:00' },
  do: 'branch',
  ask: { about: 'answered' },
  yes,
  no,
});
const ids = (steps: Step[]) => stepsIn(steps).map(({ id }) => id);

test('what is moved takes its place by day and time, and takes along what follows it', () => {
  const steps = [text(1, 0), text(2, 3), after(3, 1), text(4, 5)];
  expect(ids(moved(steps, 2, 4))).toEqual([1, 4, 2, 3]);
  expect(ids(moved(steps, 4, -5))).toEqual([1, 4, 2, 3]);
  expect(moved(steps, 1, -9)[0]!.when).toEqual({ after: 'start', days: 0, at: '10:00' });
  expect(ids(steps)).toEqual([1, 2, 3, 4]);
});

test('a step of minutes that is moved to another day gets a clock time there', () => {
  const step: Step = { ...text(1, 0), when: { after: 'start', minutes: 5 } };
  expect(moved([step], 1, 2)[0]!.when).toEqual({ after: 'start', days: 2, at: '09:00' });
  expect(moved([step], 1, -2)[0]!.when).toEqual({ after: 'start', minutes: 0 });
});

test('a step of a date moves across it', () => {
  const step: Step = { ...text(1, 0), when: { date: 'birthday', days: -1, at: '09:00' } };
  expect(whenWords(step.when)).toBe('1 day before their birthday at 9 AM');
  expect(whenWords(moved([step], 1, 1)[0]!.when)).toBe('on their birthday at 9 AM');
  expect(whenWords(moved([step], 1, 3)[0]!.when)).toBe('2 days after their birthday at 9 AM');
});

test('ways of a branch are changed in their place', () => {
  const steps = [branch(1, 2, [text(2, 3)], [text(3, 4)]), text(4, 9)];
  expect(ids(added(steps, text(5, 1), { branch: 1, way: 'no' }))).toEqual([1, 2, 5, 3, 4]);
  expect(ids(removed(steps, 3))).toEqual([1, 2, 4]);
  expect(ids(removed(steps, 1))).toEqual([4]);
  expect(stepsIn(replaced(steps, { ...text(2, 3), words: { text: 'New', plain: 'New' } } as Step))[1]).toMatchObject({
    words: { text: 'New' },
  });
});

test('a copy of a branch has ids of its own, none that was ever used', () => {
  const steps = [branch(1, 2, [text(2, 3)], [text(3, 4)])];
  const next = copied(steps, 1, 20);
  expect(ids(next)).toEqual([1, 2, 3, 20, 21, 22]);
  expect(next[1]!.when).toMatchObject({ days: 3 });
  expect(new Set(ids(copied(next, 20, 0))).size).toBe(9);
  expect(freshId(next, 0)).toBe(23);
});

test.each(['text', 'email', 'call', 'letter', 'task', 'change', 'branch', 'talk'] as const)(
  'a new step of %s can stand at once',
  (what) => {
    const step = emptyStep([text(7, 0)], what, 4, 0);
    expect(step).toMatchObject({ id: 8, when: { days: 4 } });
    expect(stepWords(step)).toMatch(/\w/);
    if (step.do === 'touch') expect(step.words.text && step.words.plain).toBeTruthy();
  },
);

test.each([
  [{ after: 'start', minutes: 0 }, 'right away'],
  [{ after: 'last', minutes: 0 }, 'right after the previous step'],
  [{ after: 'last', minutes: 45 }, '45 min after the previous step'],
  [{ after: 'start', minutes: 240 }, '4 hours after the start'],
  [{ after: 'start', minutes: 4320 }, '3 days after the start'],
  [{ after: 'last', days: 1, at: '08:30' }, '1 day after the previous step, at 8:30 AM'],
  [{ after: 'start', days: 14, at: '16:00', on: [2, 4] }, 'day 14 at 4 PM, on the next Tue or Thu'],
] as const)('%j reads “%s”', (when, words) => {
  expect(whenWords(when as never)).toBe(words);
});
