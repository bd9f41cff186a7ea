/** Every file of tests/data/imports is read as a careful person would read it (see the README there). */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PREVIEW_NAMES } from '@/core/imports';
import { previewFile } from './index';

interface Expected extends Record<string, unknown> {
  doubtful: { row: number; reason: string }[];
  contacts: ({ row: number } & Record<string, unknown>)[];
}
const FOLDER = join(__dirname, '../../../tests/data/imports');
const files = readdirSync(FOLDER).filter((name) => !name.endsWith('.json') && name !== 'README.md');

/** Only the keys that the expectation names. */
const scored = (expected: Record<string, unknown>, found: Record<string, unknown> | undefined): Record<string, unknown> =>
  Object.fromEntries(
    Object.keys(expected).map((key) => [
      key,
      key === 'partner' && expected.partner
        ? scored(expected.partner as Record<string, unknown>, found?.partner as Record<string, unknown>)
        : found?.[key],
    ]),
  );

describe.each(files)('%s', (name) => {
  const expected = JSON.parse(readFileSync(join(FOLDER, `${name}.expected.json`), 'utf8')) as Expected;
  const preview = previewFile(join(FOLDER, name), 2026);

  test.each(['outcome', 'format', 'rows', 'accepted', 'duplicates', 'households'])('%s', async (key) => {
    expect((await preview)[key as 'rows']).toEqual(expected[key]);
  });
  test('doubtful rows, each with a reason', async () => {
    const rows = (list: { row: number; reason: string }[]) => list.map(({ row, reason }) => `${row} ${reason}`);
    expect(rows((await preview).doubtful)).toEqual(rows(expected.doubtful));
  });
  test('people', async () => {
    const { contacts } = await preview;
    for (const person of expected.contacts)
      expect(
        scored(
          person,
          contacts.find(({ row }) => row === person.row),
        ),
      ).toEqual(person);
  });
  test('what each column was taken for, in the words that programs know', async () => {
    const { columns } = await preview;
    if (expected.columns) expect(columns).toEqual(expected.columns);
    else for (const column of columns ?? []) expect(Object.values(PREVIEW_NAMES)).toContain(column);
  });
  test('groups and ignored lines', async () => {
    const { groups, ignoredLines } = await preview;
    expect(groups).toEqual(expected.groups ?? []);
    if (expected.ignoredLines) expect(ignoredLines).toEqual(expected.ignoredLines);
  });
});
