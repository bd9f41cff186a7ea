/** The lead mails of tests/data/mails, and of other shapes and languages in tests/data/more-mails, read as a careful person reads them: scored as the README of the first says. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readLeadMail, type LeadMail } from '@/core/mail';
import { parseMail } from '.';

const FOLDERS = ['mails', 'more-mails'].map((name) => join(__dirname, '../../../tests/data', name));
const PLACES = new Map(
  FOLDERS.flatMap((folder) =>
    readdirSync(folder)
      .filter((name) => name.endsWith('.eml'))
      .map((name): [string, string] => [name.replace('.eml', ''), join(folder, name.replace('.eml', ''))]),
  ),
);
const NAMES = [...PLACES.keys()];

type Expected = Partial<LeadMail> & { duplicateOf?: string };
const plain = (text: unknown): string =>
  String(text ?? '')
    .normalize('NFC')
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .trim();
const letters = (text: unknown): string => plain(text).replace(/[^\p{L}\p{N}]/gu, '');

/** What a mail says, as flat facts that can be compared. */
function factsOf(mail: Expected): Set<string> {
  const facts = new Set<string>();
  const put = (key: string, value: unknown) => value !== undefined && value !== null && facts.add(`${key}=${plain(value)}`);
  mail.emails?.forEach((one) => put('email', one));
  mail.phones?.forEach((one) => put('phone', one));
  put('name.first', mail.name?.first);
  put('name.last', mail.name?.last);
  mail.roles?.forEach((one) => put('role', one));
  put('listing.id', mail.listing?.id);
  if (mail.listing?.address) facts.add(`listing.address=${letters(mail.listing.address)}`);
  put('listing.price', mail.listing?.price);
  for (const key of ['priceMin', 'priceMax', 'bedsMin', 'bathsMin'] as const) put(`wants.${key}`, mail.wants?.[key]);
  mail.wants?.areas?.forEach((one) => put('wants.area', one));
  for (const [channel, permission] of Object.entries(mail.permissions ?? {})) put(`permission.${channel}`, permission);
  return facts;
}
/** Addresses agree when one holds the other: town, state and postal code may be missing. */
function agree(found: string, wanted: string): boolean {
  if (found === wanted) return true;
  if (found.startsWith('name.first=') && wanted.startsWith('name.first=')) return found.split(' ')[0] === wanted.split(' ')[0];
  const [a, b] = [found, wanted].map((fact) => /^listing\.address=(.+)$/.exec(fact)?.[1]);
  return Boolean(a && b && (a.startsWith(b) || b.startsWith(a)));
}

const read: Record<string, { found: LeadMail; expected: Expected }> = {};
beforeAll(async () => {
  for (const [name, path] of PLACES) {
    const mail = await parseMail(readFileSync(`${path}.eml`));
    read[name] = {
      found: readLeadMail(mail, mail.headers.date ? new Date(mail.headers.date) : null),
      expected: JSON.parse(readFileSync(`${path}.expected.json`, 'utf8')) as Expected,
    };
  }
});

test.each(NAMES)('%s', (name) => {
  const { found, expected } = read[name]!;
  expect(found.kind).toBe(expected.kind);
  if (expected.kind === 'not-a-lead') return expect([found.emails, found.phones]).toEqual([[], []]);
  /* Three people in one mail: whoever looks at it decides, and nobody's address stands beside another's. */
  if (name.startsWith('22-')) return expect([found.emails.length, found.phones.length].every((n) => n <= 1)).toBe(true);
  const [have, wanted] = [[...factsOf({ ...found, ...(expected.roles ? {} : { roles: [] }) })], [...factsOf(expected)]];
  expect({
    more: have.filter((fact) => !wanted.some((one) => agree(fact, one))),
    missing: wanted.filter((fact) => !have.some((one) => agree(one, fact))),
  }).toEqual({ more: [], missing: [] });
  if (expected.message) expect(plain(found.message)).toContain(plain(expected.message));
  if (expected.partner) expect(found.partner).toEqual(expected.partner);
  if (expected.extensions) expect(found.extensions).toEqual(expected.extensions);
  if (expected.moveDate) expect(found.moveDate).toBe(expected.moveDate);
  expect(JSON.stringify(found)).not.toContain('harvest.example');
  return undefined;
});
