/** A contact as a vCard 4.0 (RFC 6350): escaped, folded at 75 bytes. */
import type { OutgoingPerson } from '../columns';

const escaped = (text: string): string =>
  text.replace(/\\/g, '\\\\').replace(/\n/g, '\\n').replace(/,/g, '\\,').replace(/;/g, '\\;');

/** Folds a line so that none is longer than 75 bytes, without cutting a character. */
export function folded(line: string): string {
  const lines: string[] = [];
  let here = '';
  let size = 0;
  for (const letter of line) {
    const bytes = new TextEncoder().encode(letter).length;
    if (size + bytes > (lines.length ? 74 : 75)) {
      lines.push(here);
      here = '';
      size = 0;
    }
    here += letter;
    size += bytes;
  }
  return [...lines, here].join('\r\n ');
}

/** @param on `YYYY-MM-DD` or `--MM-DD` */
const cardDay = (on: string): string => (on.startsWith('--') ? on.replace(/-(?=\d\d$)/, '') : on.replaceAll('-', ''));

export function vcardOf(person: OutgoingPerson, brokerage: string): string {
  const name =
    `${person.first_name} ${person.last_name}`.trim() ||
    person.company ||
    person.emails[0] ||
    person.phones[0]?.number ||
    'No name';
  const birthday = person.dates.find(({ kind }) => kind === 'birthday');
  const wedding = person.dates.find(({ kind }) => kind === 'wedding');
  const home = [person.street, person.city, person.region, person.postal_code, person.country];
  const lines = [
    'BEGIN:VCARD',
    'VERSION:4.0',
    `UID:urn:x-urraca:${escaped(brokerage)}:${person.id}`,
    ...(!person.first_name && !person.last_name && person.company ? ['KIND:org'] : []),
    `FN:${escaped(name)}`,
    `N:${escaped(person.last_name)};${escaped(person.first_name)};;;`,
    ...(person.company ? [`ORG:${escaped(person.company)}`] : []),
    ...person.emails.map((email, at) => `EMAIL;PREF=${at + 1}:${escaped(email)}`),
    ...person.phones.map(
      ({ number, extension }, at) => `TEL;VALUE=uri;PREF=${at + 1}:tel:${number}${extension ? `;ext=${extension}` : ''}`,
    ),
    ...(home.some(Boolean) ? [`ADR:;;${home.map((part) => escaped(part ?? '')).join(';')}`] : []),
    ...(birthday ? [`BDAY:${cardDay(birthday.on)}`] : []),
    ...(wedding ? [`ANNIVERSARY:${cardDay(wedding.on)}`] : []),
    ...(person.tags.length ? [`CATEGORIES:${person.tags.map(escaped).join(',')}`] : []),
    'END:VCARD',
  ];
  return lines.map((line) => `${folded(line)}\r\n`).join('');
}
