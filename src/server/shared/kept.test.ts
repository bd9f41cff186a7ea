/** What is kept: only what took long, only for a while, and never a failure. */
import { keptWhileSlow, LARGE_COUNTS, PROPOSALS } from './kept';

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
  expect([await keptWhileSlow('quick', PROPOSALS, read, clock), await keptWhileSlow('quick', PROPOSALS, read, clock)]).toEqual([
    1, 2,
  ]);
  expect(reads).toHaveLength(2);
});

test('what took long is kept for a minute, by its key', async () => {
  const { read } = reading(400);
  expect(await keptWhileSlow('slow', PROPOSALS, read, clock)).toBe(1);
  now += 59_000;
  expect(await keptWhileSlow('slow', PROPOSALS, read, clock)).toBe(1);
  expect(await keptWhileSlow('another', PROPOSALS, read, clock)).toBe(2);
  now += 1_001;
  expect(await keptWhileSlow('slow', PROPOSALS, read, clock)).toBe(3);
});

test('two who ask at once wait for one answer; a failure is asked again', async () => {
  let fail: (error: Error) => void = () => {};
  const read = jest.fn(() => new Promise<number>((_, reject) => (fail = reject)));
  const both = [keptWhileSlow('both', PROPOSALS, read, clock), keptWhileSlow('both', PROPOSALS, read, clock)];
  expect(read).toHaveBeenCalledTimes(1);
  fail(new Error('gone'));
  for (const one of both) await expect(one).rejects.toThrow('gone');
  await expect(keptWhileSlow('both', PROPOSALS, () => Promise.resolve(7), clock)).resolves.toBe(7);
});

test('counts are kept when they take long for counts, and only for seconds', async () => {
  const { read } = reading(400);
  expect([
    await keptWhileSlow('wire', LARGE_COUNTS, read, clock),
    await keptWhileSlow('wire', LARGE_COUNTS, read, clock),
  ]).toEqual([1, 2]);
  const slow = reading(900);
  expect(await keptWhileSlow('large', LARGE_COUNTS, slow.read, clock)).toBe(1);
  now += 9_999;
  expect(await keptWhileSlow('large', LARGE_COUNTS, slow.read, clock)).toBe(1);
  now += 1;
  expect(await keptWhileSlow('large', LARGE_COUNTS, slow.read, clock)).toBe(2);
});
