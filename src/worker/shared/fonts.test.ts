import { figtree, packed, unpacked } from './fonts';

/** OpenType: the sum of a table's 32-bit words; the head table is summed with its own adjustment as zero. */
const checksum = (table: Buffer, isHead: boolean): number => {
  let sum = 0;
  for (let at = 0; at < table.length; at += 4)
    if (!(isHead && at === 8)) sum = (sum + Buffer.concat([table.subarray(at, at + 4), Buffer.alloc(3)]).readUInt32BE(0)) >>> 0;
  return sum;
};

test.each([400, 600] as const)(
  'weight %i is unpacked whole: its tables lie where they are said to, with their checksums',
  (weight) => {
    const font = unpacked(packed(weight));
    const count = font.readUInt16BE(4);
    const tables = Array.from({ length: count }, (_, n) => {
      const entry = font.subarray(12 + 16 * n, 28 + 16 * n);
      const [sum, at, length] = [4, 8, 12].map((place) => entry.readUInt32BE(place)) as [number, number, number];
      return { tag: entry.toString('latin1', 0, 4), sum, table: font.subarray(at, at + length), length };
    });
    expect(tables.map(({ tag }) => tag)).toEqual(expect.arrayContaining(['cmap', 'glyf', 'head', 'hmtx', 'name']));
    for (const { tag, sum, table, length } of tables) {
      expect(table).toHaveLength(length);
      expect([tag, checksum(table, tag === 'head')]).toEqual([tag, sum]);
    }
  },
);

test('it is read once', () => expect(figtree(400)).toBe(figtree(400)));
test('what is no such font is refused', () => expect(() => unpacked(Buffer.from('%PDF-1.3'.padEnd(64)))).toThrow('no font'));
