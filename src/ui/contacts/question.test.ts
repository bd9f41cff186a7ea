/** What the list's address asks of the API: a sentence stands for its segment, and what is half said is left out. */
import type { Tree } from '@/core/segments';
import { questionOf, type ContactQuestion } from './asked';
import { treeShown } from './question';

const asked = (more: Partial<ContactQuestion> = {}): ContactQuestion => ({
  q: '',
  segmentId: null,
  where: null,
  measure: null,
  agent: null,
  by: {},
  days: '30',
  ...more,
});
const tree: Tree = { all: [{ on: 'stage', how: 'any', of: ['new'] }] };

test('nothing asked is everybody', () => {
  expect(questionOf(asked())).toEqual({});
  expect(questionOf(asked({ where: { all: [] } }))).toEqual({});
});
test('a sentence goes before its segment', () => {
  expect(questionOf(asked({ segmentId: '4' }))).toEqual({ segment: '4' });
  expect(questionOf(asked({ segmentId: '4', where: tree }))).toEqual({ where: JSON.stringify(tree) });
  expect(questionOf(asked({ where: { all: [...tree.all, { on: 'tag', how: 'any', of: [] }] } as Tree }))).toEqual({
    where: JSON.stringify(tree),
  });
});
test('a number of Results goes with its days, and agent, door or hour only with it', () => {
  expect(questionOf(asked({ q: 'tarn', measure: 'fast', agent: '3', by: { hour: '3-14' } }))).toEqual({
    q: 'tarn',
    measure: 'fast',
    days: '30',
    hour: '3-14',
    agent: '3',
  });
  expect(questionOf(asked({ agent: '3', by: { door: '1' } }))).toEqual({});
});
test('the sentence shown is the one being written, or the segment’s', () => {
  const saved = [{ id: '4', tree }] as never[];
  expect(treeShown(asked({ segmentId: '4' }), saved)).toEqual(tree);
  expect(treeShown(asked({ segmentId: '4', where: { all: [] } }), saved)).toEqual({ all: [] });
  expect(treeShown(asked({ segmentId: 'gone' }), saved)).toEqual({ all: [] });
});
