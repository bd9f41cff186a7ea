import type { Tree } from '../segments';
import { rungsForSource, treeForSource, verdictFor } from '.';

const of = (...names: string[]): Tree => ({ on: 'lead_source', how: 'any', of: names });
const buyer: Tree = { on: 'lead_role', how: 'any', of: ['buyer'] };
const door = (...ids: string[]): Tree => ({ on: 'lead_door', how: 'any', of: ids });

test.each<[string, Tree, string[], string]>([
  ['everybody', { all: [] }, [], 'yes'],
  ['its own rung', { all: [of('coastal portal')] }, [], 'yes'],
  ['another’s', { all: [of('Sign Call')] }, [], 'no'],
  ['its own, of buyers', { all: [of('Coastal portal'), buyer] }, [], 'depends'],
  ['another’s, of buyers', { all: [buyer, of('Sign Call')] }, [], 'no'],
  ['one of two', { all: [{ any: [of('Sign Call'), of('Coastal portal')] }] }, [], 'yes'],
  ['none of them', { all: [{ none: [of('Coastal portal')] }] }, [], 'no'],
  ['no buyers', { all: [{ none: [buyer] }] }, [], 'depends'],
  ['a door that is not known', { all: [door('4')] }, [], 'depends'],
  ['its door', { all: [door('4')] }, ['4'], 'yes'],
  ['one of its doors', { all: [door('4')] }, ['4', '5'], 'depends'],
  ['another door', { all: [door('4')] }, ['5'], 'no'],
])('%s', (_, tree, doors, verdict) => expect(verdictFor(tree, 'Coastal portal', doors)).toBe(verdict));

test('the rungs it may come to end with the first that takes it whatever it is', () => {
  const rungs = [
    { id: '1', tree: { all: [of('Sign Call')] } },
    { id: '2', tree: { all: [of('Coastal portal'), buyer] } },
    { id: '3', tree: { all: [] } },
    { id: '4', tree: { all: [of('Coastal portal')] } },
  ];
  expect(rungsForSource(rungs, 'Coastal portal', []).map(({ rung, always }) => [rung.id, always])).toEqual([
    ['2', false],
    ['3', true],
  ]);
});

test('made over for another source it asks for that one, and for all else as before', () => {
  expect(treeForSource({ all: [of('Sign Call', 'Yard'), buyer] }, 'Coastal portal')).toEqual({
    all: [of('Coastal portal'), buyer],
  });
  expect(treeForSource({ all: [{ any: [of('Sign Call'), buyer] }] }, 'Coastal portal')).toEqual({
    all: [of('Coastal portal'), { any: [of('Coastal portal'), buyer] }],
  });
  expect(treeForSource({ all: [] }, 'Coastal portal')).toEqual({ all: [of('Coastal portal')] });
});
