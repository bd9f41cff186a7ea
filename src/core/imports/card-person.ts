/** One card as a person. A card of a group is no person: it names the people who get its name as a tag. */
import { readEmails } from './addresses';
import { phoneOf } from '../capture';
import { hasControl, trimmed, withoutControl } from './cell';
import { partsOf, unescaped, type Card, type CardLine } from './cards';
import { readDay, formatNumber } from '../format';
import { readName } from './names';
import { doubt, doubtWhole, emptyPerson, type ImportedPerson } from './person';
import { roleWords, tagWords } from './words';

/** A group of a vCard file. */
export interface CardGroup {
  name: string;
  members: string[];
}
const LONGEST_NAME = 200;
const valuesOf = (card: Card, name: string): CardLine[] => card.lines.filter((line) => line.name === name);
const textOf = (card: Card, name: string): string => trimmed(unescaped(valuesOf(card, name)[0]?.value ?? ''));

/** The group that a card is, or null when it is a person or a company. */
export const groupOf = (card: Card): CardGroup | null =>
  /^group$/i.test(textOf(card, 'KIND')) || /^group$/i.test(textOf(card, 'X-ADDRESSBOOKSERVER-KIND'))
    ? {
        name: textOf(card, 'FN') || textOf(card, 'N'),
        members: [...valuesOf(card, 'MEMBER'), ...valuesOf(card, 'X-ADDRESSBOOKSERVER-MEMBER')].map(({ value }) =>
          trimmed(value),
        ),
      }
    : null;

/** @param row counted from 1 over the cards that are people */
export function readCard(card: Card, row: number, thisYear: number): ImportedPerson {
  const person = emptyPerson(row);
  if (card.cutOff) doubt(person, 'cut-off', 'the card has no END:VCARD; we imported what came before it');
  nameInto(person, card);
  const preferred = (lines: CardLine[]) =>
    lines
      .map((line, at) => ({ line, at, rank: rankOf(line) }))
      .sort((a, b) => a.rank - b.rank || a.at - b.at)
      .map(({ line }) => line);
  const four = card.version.startsWith('4');
  for (const line of four ? preferred(valuesOf(card, 'EMAIL')) : valuesOf(card, 'EMAIL')) {
    const read = readEmails(unescaped(line.value));
    person.emails.push(...read.found.filter((email) => !person.emails.includes(email)));
    read.unread.forEach((other) => doubt(person, 'bad-email', `“${other.slice(0, 80)}” is not a valid email address`));
  }
  for (const line of four ? preferred(valuesOf(card, 'TEL')) : valuesOf(card, 'TEL')) phoneInto(person, line);
  addressInto(person, valuesOf(card, 'ADR'));
  dayInto(person, 'birthday', valuesOf(card, 'BDAY')[0], thisYear);
  dayInto(person, 'anniversary', valuesOf(card, 'ANNIVERSARY')[0] ?? valuesOf(card, 'X-ANNIVERSARY')[0], thisYear);
  const notes = valuesOf(card, 'NOTE')
    .map((line) => unescaped(line.value))
    .filter((note) => trimmed(note));
  person.notes = notes.length ? soundText(person, 'the note', notes.join('\n'), true) : null;
  person.tags = [...new Set(valuesOf(card, 'CATEGORIES').flatMap((line) => categoriesIn(line.value)))];
  for (const line of valuesOf(card, 'ROLE')) person.roles.push(...roleWords(unescaped(line.value)).roles);
  person.uid = textOf(card, 'UID') || null;
  partnerInto(person, card);
  doubtWhole(person);
  return person;
}

const rankOf = (line: CardLine): number =>
  Number(line.params.pref?.[0] ?? (line.params.type?.some((type) => /^pref$/i.test(type)) ? 1 : 101));

function nameInto(person: ImportedPerson, card: Card): void {
  const [last = '', first = ''] = partsOf(valuesOf(card, 'N')[0]?.value ?? '').map(trimmed);
  const shown = textOf(card, 'FN');
  const org = partsOf(valuesOf(card, 'ORG')[0]?.value ?? '')
    .map(trimmed)
    .filter(Boolean);
  person.company = org[0] ?? null;
  if (/^org/i.test(textOf(card, 'KIND'))) person.company ??= shown || null;
  else if (first || last) Object.assign(person, { first, last });
  else if (shown && shown !== person.company) {
    const read = readName(shown);
    Object.assign(person, { first: read.first, last: read.last });
  } else if (textOf(card, 'NICKNAME')) person.first = textOf(card, 'NICKNAME');
  person.first = soundText(person, 'the first name', person.first, false);
  person.last = soundText(person, 'the last name', person.last, false);
}

function soundText(person: ImportedPerson, what: string, raw: string, prose: boolean): string {
  let text = raw;
  if (text.includes('\u0000')) {
    doubt(person, 'nul-bytes', `null characters in ${what}`);
    text = text.replaceAll('\u0000', '');
  }
  if (text.includes('\ufffd')) doubt(person, 'bad-encoding', `letters were lost in ${what}`);
  if (hasControl(text, prose)) {
    doubt(person, 'control-characters', `control characters in ${what}`);
    text = prose ? withoutControl(text) : withoutControl(text).replace(/[\t\n]+/g, ' ');
  }
  if (!prose && text.length > LONGEST_NAME) {
    doubt(person, 'too-long', `${what} has ${formatNumber(text.length)} characters`);
    text = text.slice(0, LONGEST_NAME);
  }
  return text.slice(0, 20_000);
}

function phoneInto(person: ImportedPerson, line: CardLine): void {
  const raw = trimmed(unescaped(line.value));
  if (!raw) return;
  const phone = phoneOf(raw);
  const types = (line.params.type ?? []).map((type) => type.toLowerCase());
  if (!phone) return doubt(person, 'bad-phone', `“${raw.slice(0, 80)}” is not a valid phone number`);
  if (types.includes('fax') && !types.includes('voice')) {
    person.fax ??= phone.number;
    return;
  }
  if (!person.phones.includes(phone.number)) person.phones.push(phone.number);
  if (phone.extension) person.extensions[phone.number] = phone.extension;
}

function addressInto(person: ImportedPerson, lines: CardLine[]): void {
  const line = lines.find((one) => one.params.type?.some((type) => /^home$/i.test(type))) ?? lines[0];
  if (!line) return;
  const [box = '', more = '', street = '', city = '', region = '', postalCode = '', country = ''] = partsOf(line.value).map(
    trimmed,
  );
  const whole = [street || box, more].filter(Boolean).join(', ');
  if (whole || city || postalCode)
    person.address = {
      ...(whole ? { street: whole.replace(/\n/g, ', ') } : {}),
      ...(city ? { city } : {}),
      ...(postalCode ? { postalCode } : {}),
    };
  person.region = region || null;
  person.country = country || null;
}

function dayInto(person: ImportedPerson, field: 'birthday' | 'anniversary', line: CardLine | undefined, thisYear: number): void {
  const value = line ? trimmed(unescaped(line.value)) : '';
  if (!value) return;
  const noYear = line!.params['x-apple-omit-year']?.[0];
  const day = readDay(value, 'month-first', thisYear);
  if (!day) return doubt(person, 'bad-date', `${field} “${value.slice(0, 60)}” can’t be read as a date`);
  person[field] = noYear && day.startsWith(noYear) ? `-${day.slice(4)}` : day;
}

function partnerInto(person: ImportedPerson, card: Card): void {
  const related = valuesOf(card, 'RELATED').find((line) =>
    line.params.type?.some((type) => /^(?:spouse|sweetheart|co-resident)$/i.test(type)),
  );
  const named = related ? trimmed(unescaped(related.value)) : textOf(card, 'X-SPOUSE') || textOf(card, 'X-PARTNER');
  if (!named) return;
  if (/^(?:urn:|uuid:)/i.test(named)) {
    person.partnerUid = named;
    return;
  }
  const read = readName(named.replace(/^mailto:/i, ''));
  person.partner = { first: read.first, last: read.last || person.last, emails: [], phones: [], birthday: null };
}

/** Names the partners that cards gave by their identity, once all cards are read. */
export function linkPartners(people: ImportedPerson[]): void {
  const byUid = new Map(people.filter((person) => person.uid).map((person) => [person.uid!, person]));
  for (const person of people) {
    const partner = person.partnerUid ? byUid.get(person.partnerUid) : undefined;
    if (partner) person.partner = { first: partner.first, last: partner.last, emails: [], phones: [], birthday: null };
  }
}

/** Categories of a card: one with an escaped sign is one tag, others may be several as in a cell. */
const categoriesIn = (value: string): string[] =>
  /\\[,;]/.test(value) ? partsOf(value, ',').map(trimmed).filter(Boolean) : partsOf(value, ',').flatMap(tagWords);
