/** Shares and the hours of the week by which speed is looked at. */
import { hourOf, MEASURE_KEYS, MEASURES, share } from '.';

test('a share is whole per cent, and of nothing there is none', () => {
  expect([share(1, 3), share(2, 3), share(0, 5), share(5, 5), share(0, 0)]).toEqual([33, 67, 0, 100, null]);
});
test.each([
  ['3-14', { day: 3, hour: 14 }],
  ['7-0', { day: 7, hour: 0 }],
  ['1-23', { day: 1, hour: 23 }],
  ['0-5', null],
  ['8-5', null],
  ['3-24', null],
  ['3-04', null],
  ['3', null],
])('the hour of the week %s', (key, hour) => {
  expect(hourOf(key)).toEqual(hour);
});
test('each measure has a key of its own and a sentence that says what it counts', () => {
  expect(new Set(MEASURE_KEYS).size).toBe(MEASURES.length);
  for (const { definition } of MEASURES) expect(definition).toMatch(/^[A-Z].{15,}\.$/);
});
