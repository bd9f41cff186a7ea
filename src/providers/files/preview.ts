/** The whole preview of one file: what `npm run urraca -- import --preview` prints and what the tests compare. */
import { basename } from 'node:path';
import { linkPartners, PREVIEW_NAMES, previewOf, refused, type ImportedPerson, type Preview } from '@/core/imports';
import { readContacts } from './people';

export async function previewFile(path: string, thisYear: number): Promise<Preview> {
  const name = basename(path);
  const reading = await readContacts(path, { thisYear });
  if ('refused' in reading) return refused(name, reading.kind, reading.refused);
  if ('empty' in reading) return previewOf(name, reading.empty, []);
  const people: ImportedPerson[] = [];
  for await (const person of reading.people()) people.push(person);
  linkPartners(people);
  const { above, blank, below } = reading.ignored;
  return previewOf(name, reading.format, people, {
    groups: reading.groups,
    ...(above + blank + below ? { ignoredLines: reading.ignored } : {}),
    columns: reading.columns.map(({ target }) => PREVIEW_NAMES[target]),
  });
}
