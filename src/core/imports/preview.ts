/** The preview of a file: what was recognised, every person as it would be, every doubt, who is there twice, who shares a home. */
import { LikenessFinder } from './likeness';
import type { CardGroup } from './card-person';
import { doubt, type ImportedPerson } from './person';

/** What a file was found to be. */
export interface FileFormat {
  kind: string;
  delimiter?: string;
  encoding?: string;
  headingRow?: number | null;
  sheet?: string;
  version?: string;
}

/** What an import would make of a file, without a database. */
export interface Preview {
  file: string;
  outcome: 'read' | 'empty' | 'refused';
  format: FileFormat;
  rows: number;
  accepted: number;
  doubtful: { row: number; reason: string; why: string }[];
  contacts: PreviewContact[];
  duplicates: { rows: number[]; by: string }[];
  households: { rows: number[] }[];
  groups: { name: string; rows: number[] }[];
  ignoredLines?: { above: number; blank: number; below: number };
  /** What the columns were taken for. */
  columns?: string[];
  /** One sentence, for a file that was not read. */
  sentence?: string;
}

/** A person with only what the file says: no empty keys. */
export type PreviewContact = { row: number; partner?: object | null } & Partial<
  Omit<ImportedPerson, 'row' | 'doubts' | 'uid' | 'partnerUid' | 'partner'>
>;

const KEPT = [
  'first',
  'last',
  'company',
  'fax',
  'address',
  'region',
  'country',
  'propertyAddress',
  'birthday',
  'anniversary',
  'closingDate',
  'stage',
  'horizon',
  'source',
  'owner',
  'notes',
] as const;

export function previewContact(person: ImportedPerson): PreviewContact {
  const shown: Record<string, unknown> = { row: person.row };
  for (const key of KEPT) if (person[key]) shown[key] = person[key];
  for (const key of ['emails', 'phones', 'roles', 'tags'] as const) if (person[key].length) shown[key] = person[key];
  for (const key of ['extensions', 'permissions', 'custom', 'wants'] as const)
    if (Object.keys(person[key]).length) shown[key] = person[key];
  const { partner } = person;
  shown.partner = partner && {
    first: partner.first,
    last: partner.last,
    ...(partner.emails.length ? { emails: partner.emails } : {}),
    ...(partner.phones.length ? { phones: partner.phones } : {}),
    ...(partner.birthday ? { birthday: partner.birthday } : {}),
  };
  return shown as PreviewContact;
}

/** The preview of a file that was read. Members of groups get the group's name as a tag. */
export function previewOf(
  file: string,
  format: FileFormat,
  people: ImportedPerson[],
  more: { groups?: CardGroup[]; ignoredLines?: Preview['ignoredLines']; columns?: Preview['columns'] } = {},
): Preview {
  const groups = (more.groups ?? []).map(({ name, members }) => ({
    name,
    rows: people.filter((person) => person.uid && members.includes(person.uid)).map((person) => person.row),
  }));
  for (const group of groups)
    for (const person of people)
      if (group.rows.includes(person.row) && !person.tags.some((tag) => tag.toLowerCase() === group.name.toLowerCase()))
        person.tags.push(group.name);
  const finder = new LikenessFinder();
  people.forEach((person) => finder.see(person));
  const { duplicates, households, shared } = finder.result();
  const byRow = new Map(people.map((person) => [person.row, person]));
  for (const { address, rows } of shared.filter(({ address }) => address.includes('@')))
    for (const row of rows.slice(1))
      doubt(byRow.get(row)!, 'shared-email', `${address} is also in row ${rows.filter((other) => other !== row).join(', ')}`);
  const doubtful = people.filter((person) => person.doubts.length);
  return {
    file,
    outcome: people.length ? 'read' : 'empty',
    format,
    rows: people.length,
    accepted: people.length - doubtful.length,
    doubtful: doubtful.map(({ row, doubts }) => ({
      row,
      reason: doubts[0]!.reason,
      why: doubts.map(({ why }) => why).join('; '),
    })),
    contacts: people.map(previewContact),
    duplicates,
    households,
    groups,
    ...(more.ignoredLines ? { ignoredLines: more.ignoredLines } : {}),
    ...(more.columns ? { columns: more.columns } : {}),
    ...(people.length ? {} : { sentence: emptySentence(format) }),
  };
}

const emptySentence = (format: FileFormat): string =>
  format.headingRow ? 'The file has headings but no rows. Nothing was imported.' : 'The file is empty. Nothing was imported.';

export const refused = (file: string, kind: string, sentence: string): Preview => ({
  file,
  outcome: 'refused',
  format: { kind },
  rows: 0,
  accepted: 0,
  doubtful: [],
  contacts: [],
  duplicates: [],
  households: [],
  groups: [],
  sentence,
});
