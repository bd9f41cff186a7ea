/** What is kept: only what took long, only for a while, and never a failure. */
import { cacheWhenSlow, LARGE_COUNTS, PROPOSALS } from './cache';

let now = 0;
const clock = () => now;
const reading = (takes: number) => {
  const reads: number[] = [];
  const read = () => {
    reads.push(now);
    now += takes;
    return Promise.resolve(reads.length);
  };
  return { reads, read };
};

test('what is read at once is read every time', async () => {
  const { reads, read } = reading(20);
  expect([await cacheWhenSlow('quick', PROPOSALS, read, clock), await cacheWhenSlow('quick', PROPOSALS, read, clock)]).toEqual([
    1, 2,
  ]);
  expect(reads).toHaveLength(2);
});

test('what took long is kept for a minute, by its key', async () => {
  const { read } = reading(400);
  expect(await cacheWhenSlow('slow', PROPOSALS, read, clock)).toBe(1);
  now += 59_000;
  expect(await cacheWhenSlow('slow', PROPOSALS, read, clock)).toBe(1);
  expect(await cacheWhenSlow('another', PROPOSALS, read, clock)).toBe(2);
  now += 1_001;
  expect(await cacheWhenSlow('slow', PROPOSALS, read, clock)).toBe(3);
});

test('what is under way is not shared, for it may be older than what the second must see; a failure is asked again', async () => {
  const answers: ((n: number) => void)[] = [];
  const read = jest.fn(() => new Promise<number>((resolve) => answers.push(resolve)));
  const both = [cacheWhenSlow('both', PROPOSALS, read, clock), cacheWhenSlow('both', PROPOSALS, read, clock)];
  expect(read).toHaveBeenCalledTimes(2);
  answers.forEach((answer, n) => answer(n));
  expect(await Promise.all(both)).toEqual([0, 1]);
  await expect(cacheWhenSlow('gone', PROPOSALS, () => Promise.reject(new Error('gone')), clock)).rejects.toThrow('gone');
  await expect(cacheWhenSlow('gone', PROPOSALS, () => Promise.resolve(7), clock)).resolves.toBe(7);
});

test('counts are kept when they take long for counts, and only for seconds', async () => {
  const { read } = reading(400);
  expect([
    await cacheWhenSlow('wire', LARGE_COUNTS, read, clock),
    await cacheWhenSlow('wire', LARGE_COUNTS, read, clock),
  ]).toEqual([1, 2]);
  const slow = reading(900);
  expect(await cacheWhenSlow('large', LARGE_COUNTS, slow.read, clock)).toBe(1);
  now += 9_999;
  expect(await cacheWhenSlow('large', LARGE_COUNTS, slow.read, clock)).toBe(1);
  now += 1;
  expect(await cacheWhenSlow('large', LARGE_COUNTS, slow.read, clock)).toBe(2);
});
