/** Files made to hang the worker or to fill its memory: refused with a sentence, in their time, and the next is read. */
import { cell, ods, row, xlsx } from '../harness/crafted-files';
import { appForEach } from '../harness/each';

const app = appForEach();

async function look(name: string, bytes: Buffer): Promise<{ state: string; sentence: string | null; ms: number }> {
  const { m } = app();
  const began = performance.now();
  const { id } = await m.imports.createImport(app().as('Ada'), name, new Blob([new Uint8Array(bytes)]).stream());
  await m.importing.scanImport(id).catch(() => undefined);
  const state = await app().db.first<{ state: string; sentence: string | null }>(
    'select state, sentence from imports where id = $1',
    [id],
  );
  return { ...state!, ms: performance.now() - began };
}

const HEADS = row(cell('First name') + cell('Email'));
const FILES: Record<string, () => Buffer> = {
  'rows and columns repeated a million times.ods': () => ods(HEADS + row(cell('a', 1_000_000), 1_000_000).repeat(20)),
  'rows repeated, again and again.ods': () => ods(HEADS + row(cell('a@b.example', 2_000), 200).repeat(1_000)),
  'a size that is not true.xlsx': () => xlsx(Buffer.alloc(80_000_000, 32), { 'xl/worksheets/sheet1.xml': 1_000 }),
  'a cell without end.xlsx': () =>
    xlsx(`<worksheet><sheetData><row r="1"><c t="str"><v>${'a'.repeat(8_000_000)}</v></c></row></sheetData></worksheet>`),
  'one line of commas.csv': () => Buffer.from(`Name,Email\n${','.repeat(1_000_000)}`),
  'a quote that never closes.csv': () => Buffer.from(`Name,Email\n"${'a,b\n'.repeat(60_000)}`),
  'cards without end.vcf': () => Buffer.from(`BEGIN:VCARD\nVERSION:3.0\n${'FN:a\n '.repeat(200_000)}\nEND:VCARD`),
};

test.each(Object.keys(FILES))('%s', async (name) => {
  const { state, ms } = await look(name, FILES[name]!());
  expect(['looked', 'ready', 'refused', 'failed', 'waiting']).toContain(state);
  expect(state).not.toBe('looking');
  expect(ms).toBeLessThan(40_000);
  const fine = await look('fine.csv', Buffer.from('First name,Email\nOda,oda@people.example\n'));
  expect(fine.state).not.toBe('refused');
});
