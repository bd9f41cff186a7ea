/** Rates and their differences: intervals as in the tables, and a winner seldom where there is none. */
import { chanceOf, interval, winnerOf } from '.';

test('Wilson intervals are those of the tables', () => {
  expect(interval({ n: 10, of: 100 })).toMatchObject({ low: expect.closeTo(0.0552, 3), high: expect.closeTo(0.1744, 3) });
  expect(interval({ n: 0, of: 20 })).toMatchObject({ low: 0, high: expect.closeTo(0.1611, 3) });
  expect(interval({ n: 0, of: 0 })).toEqual({ low: 0, high: 1 });
});

test('the chance of a difference is that of the pooled test', () => {
  expect(chanceOf({ n: 20, of: 100 }, { n: 35, of: 100 })).toBeCloseTo(0.0177, 3);
  expect(chanceOf({ n: 0, of: 10 }, { n: 0, of: 10 })).toBe(1);
});

test('a winner is named only when there is one', () => {
  const rates = (...all: [number, number][]) => new Map(all.map(([n, of], at) => [String(at), { n, of }]));
  expect(winnerOf(rates([9, 20], [1, 20]))).toEqual({ winner: null, because: 'too_few' });
  expect(winnerOf(rates([30, 200], [24, 200]))).toEqual({ winner: null, because: 'chance' });
  expect(winnerOf(rates([60, 200], [20, 200]))).toMatchObject({ winner: '0' });
  expect(winnerOf(rates([60, 200], [58, 200], [10, 200]))).toEqual({ winner: null, because: 'chance' });
});

test('two that are the same, looked at fifty times while they run, seldom have a winner', () => {
  let seed = 7;
  const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647;
  let named = 0;
  for (let run = 0; run < 300; run += 1) {
    const a = { n: 0, of: 0 };
    const b = { n: 0, of: 0 };
    let winner = false;
    for (let look = 0; look < 50; look += 1) {
      for (let n = 0; n < 20; n += 1)
        for (const side of [a, b]) {
          side.of += 1;
          if (random() < 0.12) side.n += 1;
        }
      winner ||=
        winnerOf(
          new Map([
            ['a', a],
            ['b', b],
          ]),
        ).winner !== null;
    }
    if (winner) named += 1;
  }
  expect(named / 300).toBeLessThan(0.1);
});
