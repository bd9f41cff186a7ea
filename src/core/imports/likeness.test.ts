/** What stays in memory of the people of a large file. */
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { LikenessFinder } from './likeness';
import { emptyPerson } from './person';

test('of the rows that are compared only copies stay, not the text they were cut from', () => {
  setFlagsFromString('--expose-gc');
  const collect = runInNewContext('gc') as () => void;
  const used = () => {
    collect();
    return process.memoryUsage().heapUsed;
  };
  const finder = new LikenessFinder();
  const before = used();
  for (let n = 1; n <= 1_500; n += 1) {
    const row = Buffer.alloc(100_000, `row ${n} `).toString() + `oda.brandvold.${n}@wide.example`;
    finder.see({ ...emptyPerson(n), first: 'Oda', emails: [row.slice(100_000)] });
  }
  expect(used() - before).toBeLessThan(20_000_000);
  expect(finder.result().duplicates).toEqual([]);
});

test('a file of one address again and again takes no longer than its length', () => {
  const finder = new LikenessFinder();
  const person = {
    first: 'Oda',
    last: '',
    emails: ['a@b.example'],
    phones: [],
    address: null,
    uid: null,
    partner: null,
    partnerUid: null,
  };
  const began = performance.now();
  for (let row = 1; row <= 20_000; row += 1) finder.see({ ...person, row, first: `P${row % 7}` } as never);
  expect(finder.result().shared[0]?.rows.length).toBeLessThanOrEqual(101);
  expect(performance.now() - began).toBeLessThan(15_000);
});
