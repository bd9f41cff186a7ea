/** Choosing people in a list of any size. */
import { choose, howMany, isChosen, NOBODY, selectionOf } from './selection';

test('some are chosen one by one', () => {
  const some = choose(NOBODY, ['1', '2', '3'], true);
  const fewer = choose(some, ['2'], false);
  expect([howMany(fewer, 500_000), isChosen(fewer, '1'), isChosen(fewer, '2')]).toEqual([2, true, false]);
  expect(selectionOf(fewer, {})).toEqual({ ids: ['1', '3'] });
});
test('everybody but some is chosen without being loaded', () => {
  const all = { all: true, ids: new Set<string>() };
  const but = choose(all, ['7'], false);
  expect([howMany(but, 500_000), isChosen(but, '7'), isChosen(but, '8')]).toEqual([499_999, false, true]);
  expect(selectionOf(but, { stage: 'new' })).toEqual({ question: { stage: 'new' }, except: ['7'] });
  expect(howMany(choose(but, ['7'], true), 500_000)).toBe(500_000);
});
