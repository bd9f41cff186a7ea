/** The people of an import's file, with partners and groups of cards resolved, which takes one look ahead. */
import { ownCopy } from '@/core/shared';
import type { AccountWords, ImportColumn, ImportedPerson } from '@/core/imports';
import { readContacts, type FileReading, type ReadFile } from '@/providers/files';

export const openImport = (
  path: string,
  columns: ImportColumn[] | null,
  thisYear: number,
  words: AccountWords,
): Promise<FileReading> => readContacts(path, { thisYear, words, ...(columns?.length ? { columns } : {}) });

/** For tables the people as they come; for cards those whom others name get their names and tags first. */
export async function* peopleOf(reading: ReadFile): AsyncGenerator<ImportedPerson> {
  if (reading.columns.length) {
    yield* reading.people();
    return;
  }
  const byUid = new Map<string, Pick<ImportedPerson, 'first' | 'last' | 'emails' | 'phones'>>();
  const named = new Set<string>();
  for await (const { uid, partnerUid, first, last, emails, phones } of reading.people()) {
    if (uid) byUid.set(uid, ownCopy({ first, last, emails, phones }));
    if (partnerUid) named.add(partnerUid);
  }
  const tags = new Map<string, string[]>();
  for (const { name, members } of reading.groups)
    for (const member of members) tags.set(member, [...(tags.get(member) ?? []), name]);
  for await (const person of reading.people()) {
    const partner = person.partnerUid ? byUid.get(person.partnerUid) : undefined;
    if (partner) person.partner = { ...partner, birthday: null };
    for (const tag of (person.uid && tags.get(person.uid)) || [])
      if (!person.tags.some((known) => known.toLowerCase() === tag.toLowerCase())) person.tags.push(tag);
    yield person;
  }
}
