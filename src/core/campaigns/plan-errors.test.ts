/** What keeps a plan from being used, each at its step; and what is no plan at all. */
import { planErrors, NO_PLAN, STARTERS, type Plan, type Step } from '.';
import { planSchema } from './schemas';

const at = { after: 'start', days: 0, at: '09:00' } as const;
const touch = (
  id: number,
  words: { text: string; plain: string; subject?: string },
  channel: 'text' | 'email' = 'text',
): Step => ({
  id,
  when: at,
  do: 'touch',
  channel,
  words,
});
const GOOD = {
  text: 'Hello {{ first_name }}, {{ agent_first_name }} at {{ brokerage }}. Reply STOP to opt out.',
  plain: 'Hello from {{ brokerage }}.',
};
const plan = (...steps: Step[]): Plan => ({ ...NO_PLAN, steps });
const fields = (one: Plan, known?: string[]) => planErrors(one, known).map(({ field }) => field);

test('a good plan has no error, an empty one says what to do', () => {
  expect(planErrors(plan(touch(1, GOOD)))).toEqual([]);
  expect(planErrors(NO_PLAN)).toEqual([{ field: 'steps', message: 'No steps yet. Add a first touch.' }]);
});
test('each error stands at its step, those within ways too', () => {
  const one = plan(
    { id: 1, when: at, do: 'task', role: 'owner', note: ' ' },
    { id: 2, when: at, do: 'branch', ask: { about: 'answered' }, yes: [], no: [] },
    {
      id: 3,
      when: at,
      do: 'branch',
      ask: { about: 'answered' },
      yes: [touch(4, { text: 'Hello {{ frist_name }}', plain: 'Hello' })],
      no: [{ id: 5, when: at, do: 'talk', questions: [] }],
    },
    { id: 6, when: at, do: 'talk', questions: [{ asks: 'when', words: ' ', fieldId: null }] },
    touch(7, { text: '{% if city %}Hello', plain: 'Hello' }),
    touch(8, GOOD),
  );
  expect([...new Set(fields(one))]).toEqual(['steps.1', 'steps.2', 'steps.4', 'steps.5', 'steps.6', 'steps.7']);
});
test('a field of the account’s own is known by its name, and taken on trust where the names are not at hand', () => {
  const one = plan(touch(1, { ...GOOD, text: `${GOOD.text} {{ field.boat | default: "boat" }}` }));
  expect(fields(one)).toEqual([]);
  expect(fields(one, ['Boat'])).toEqual([]);
  expect(fields(one, ['Horse'])).toEqual(['steps.1']);
});
test('too many steps, two of one id, and a repeat at once', () => {
  const many = plan(...Array.from({ length: 301 }, (_, id) => touch(id, GOOD)));
  expect(fields(many)).toEqual(['steps']);
  expect(fields(plan(touch(1, GOOD), touch(1, GOOD)))).toEqual(['steps']);
  expect(fields({ ...plan(touch(1, GOOD)), repeat: { days: 0, times: null } })).toEqual(['repeat']);
});

const starter = STARTERS[0]!.plan;
test.each<[string, object]>([
  ['a step that does something else', { steps: [{ id: 1, when: at, do: 'shout' }] }],
  ['a clock time that no clock shows', { steps: [{ ...touch(1, GOOD), when: { ...at, at: '24:00' } }] }],
  ['a day before the beginning', { steps: [{ ...touch(1, GOOD), when: { ...at, days: -1 } }] }],
  ['an eighth day of the week', { steps: [{ ...touch(1, GOOD), when: { ...at, on: [8] } }] }],
  ['a channel there is none of', { steps: [{ ...touch(1, GOOD), channel: 'smoke' }] }],
  [
    'ways within ways that are wrong',
    { steps: [{ id: 1, when: at, do: 'branch', ask: { about: 'answered' }, yes: [{ id: 2, do: 'touch' }], no: [] }] },
  ],
  ['a change of nothing', { ends: { ...starter.ends, then: [{ set: 'mood' }] } }],
  ['a start on no day', { starts: [{ on: 'day', day: '13-01', at: '09:00' }] }],
  ['a repeat of no days', { repeat: { days: 0, times: null } }],
  ['something beside it', { extra: true }],
])('%s is no plan', (_, more) => {
  expect(planSchema.validate({ ...starter, ...more }).error).toBeDefined();
  expect(planSchema.validate(starter).error).toBeUndefined();
});
