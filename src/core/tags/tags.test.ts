/** Names of tags as they are kept, and who may make one. */
import { mayMakeTags, MOST_TAG_LETTERS, tagName } from '.';

test.each([
  ['  choir ', 'choir'],
  ['#choir', 'choir'],
  ['# choir', 'choir'],
  ['two\n words', 'two words'],
  ['#', ''],
  ['no. #1', 'no. #1'],
  [`${'x'.repeat(MOST_TAG_LETTERS - 1)} y`, 'x'.repeat(MOST_TAG_LETTERS - 1)],
])('“%s” is kept as “%s”', (text, saved) => {
  expect(tagName(text)).toBe(saved);
});
test('lenders look on; who runs the office is never barred', () => {
  expect(
    ['owner', 'admin', 'agent', 'caller', 'lender'].map((role) => mayMakeTags(role as never, ['agent', 'owner', 'admin'])),
  ).toEqual([true, true, false, true, false]);
});
