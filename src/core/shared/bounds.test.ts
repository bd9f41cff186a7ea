import { describe, expect, it } from '@jest/globals';
import { isWithin } from './bounds';

describe('the bounds of a value from outside', () => {
  it('count levels and values', () => {
    expect(isWithin({ a: [{ b: 1 }] }, { depth: 3, nodes: 4 })).toBe(true);
    expect(isWithin({ a: [{ b: 1 }] }, { depth: 2, nodes: 4 })).toBe(false);
    expect(isWithin([1, 2, 3], { depth: 3, nodes: 3 })).toBe(false);
    expect(isWithin(null, { depth: 0, nodes: 1 })).toBe(true);
  });
  it('hold for a value that is deeper than the stack', () => {
    let deep: unknown = 1;
    for (let n = 0; n < 200_000; n += 1) deep = { yes: [deep] };
    expect(isWithin(deep, { depth: 100, nodes: 1_000 })).toBe(false);
  });
});
