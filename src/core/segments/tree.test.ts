/** Trees as they are looked at by somebody, renamed, and left in part. */
import { conditionsOf, EVERYBODY, seenBy, spanDays, spanMs, whole, withSource, type Tree } from '.';

const tree: Tree = {
  all: [
    { on: 'owner', how: 'any', of: ['me', '7'] },
    {
      any: [
        { on: 'source', how: 'none', of: ['Old sign', 'Fair'] },
        { none: [{ on: 'lead_source', how: 'any', of: ['old SIGN', 'New sign'] }] },
      ],
    },
    { on: 'tag', how: 'any', of: ['me', 'Old sign'] },
  ],
};

test('`me` is whoever looks, and nobody for a key; only as an agent', () => {
  const ofs = (userId: string | null) => conditionsOf(seenBy(tree, userId)).map((one) => ('of' in one ? one.of : null));
  expect([ofs('42')[0], ofs('42')[3]]).toEqual([
    ['42', '7'],
    ['me', 'Old sign'],
  ]);
  expect(ofs(null)[0]).toEqual(['0', '7']);
});
test('a lead source that has another name has it everywhere, once, and nothing else has', () => {
  expect(conditionsOf(withSource(tree, 'Old sign', 'New sign')).map((one) => ('of' in one ? one.of : null))).toEqual([
    ['me', '7'],
    ['New sign', 'Fair'],
    ['New sign'],
    ['me', 'Old sign'],
  ]);
});
test('what is still being said is left out, and a sentence of nothing else is none', () => {
  const half: Tree = { on: 'tag', how: 'any', of: [] };
  const condition: Tree = { on: 'tag', how: 'any', of: ['1'] };
  expect(whole({ all: [half, condition] })).toEqual({ all: [condition] });
  expect(whole({ all: [half] })).toBeNull();
  expect(whole(EVERYBODY)).toEqual(EVERYBODY);
});
test('spans of time', () => {
  expect([spanMs(30, 'minutes'), spanMs(2, 'days'), spanMs(1, 'years')]).toEqual([1_800_000, 172_800_000, 365 * 86_400_000]);
  expect([spanDays(2, 'weeks'), spanDays(5, 'years'), spanDays(9, 'hours')]).toEqual([14, 366, 0]);
});
