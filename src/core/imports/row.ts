/** One row of a table as a person: each cell read by the meaning of its column, and everything doubtful named. */
import { CHANNEL_KEYS, type Channel } from '../contacts';
import { readEmails, readPhones } from './addresses';
import { dataOf, hasControl, isFormula, trimmed, withoutControl } from './cell';
import type { CsvRecord } from './csv';
import { readDay, formatNumber } from '../format';
import { TARGETS, type Target } from './headings';
import { readFirst, readName } from './names';
import { doubt, doubtWhole, emptyPerson, type ImportedPerson } from './person';
import type { Column } from './table';
import { readWant } from './wants';
import { horizonWord, roleWords, stageWord, tagWords, yesOrNo, type AccountWords } from './words';

const LONGEST_NAME = 200;
const LONGEST_CELL = 20_000;
const PROSE: Target[] = ['notes', 'custom', 'ignore', 'tags'];
const NAMES: Target[] = ['first', 'middle', 'last', 'name', 'company', 'partner_first', 'partner_last', 'partner_name'];
const TELLS_NAMES: Target[] = [...NAMES, 'city'];

/** What the reading of a row must know of its file. */
export interface RowContext {
  columns: Column[];
  /** The current year, for two-digit years and days of birth to come. */
  thisYear: number;
  words?: AccountWords;
}

interface Parts {
  whole: string;
  middle: string;
  street2: string;
  property: string[];
  partner: { first: string; last: string; emails: string[]; phones: string[]; birthday: string | null; whole: string };
}

/** @param row counted from 1 over the people of the file */
export function readRow(record: Pick<CsvRecord, 'cells' | 'openQuote'>, row: number, reading: RowContext): ImportedPerson {
  const person = emptyPerson(row);
  const parts: Parts = {
    whole: '',
    middle: '',
    street2: '',
    property: [],
    partner: { first: '', last: '', emails: [], phones: [], birthday: null, whole: '' },
  };
  if (record.openQuote) doubt(person, 'open-quote', 'a quotation mark is never closed');
  const beyond = record.cells.slice(reading.columns.length).filter((cell) => trimmed(cell));
  if (beyond.length)
    doubt(
      person,
      'too-many-cells',
      `the row has ${record.cells.length} cells under ${reading.columns.length} headings; a stray comma may have shifted the columns`,
    );
  for (const column of reading.columns) {
    const raw = record.cells[column.at] ?? '';
    if (!raw || !trimmed(raw)) continue;
    readCell(person, parts, column, soundCell(person, column, raw), reading);
  }
  finish(person, parts);
  return person;
}

/** The cell without what cannot be kept; what was taken off is doubted. */
function soundCell(person: ImportedPerson, column: Column, raw: string): string {
  const what = column.heading || TARGETS[column.target].toLowerCase();
  if (column.target === 'ignore') return trimmed(raw.replaceAll('\u0000', ''));
  let text = raw;
  if (text.includes('\u0000')) {
    doubt(person, 'nul-bytes', `null characters in “${what}”`);
    text = text.replaceAll('\u0000', '');
  }
  text = trimmed(text);
  if (text.includes('\ufffd')) doubt(person, 'bad-encoding', `letters were lost in “${what}”`);
  if (hasControl(text, PROSE.includes(column.target) || (/\n/.test(text) && !NAMES.includes(column.target)))) {
    doubt(person, 'control-characters', `control characters in “${what}”`);
    text = withoutControl(text).replace(/[\t\n]+/g, ' ');
  }
  const most = TELLS_NAMES.includes(column.target) ? LONGEST_NAME : LONGEST_CELL;
  if (text.length > most) {
    doubt(person, 'too-long', `“${what}” has ${formatNumber(text.length)} characters`);
    text = text.slice(0, most);
  }
  if (NAMES.includes(column.target) && isFormula(text)) {
    const inner = dataOf(text);
    if (inner !== text) return inner;
    doubt(person, 'formula', `“${what}” is a formula: ${text.slice(0, 60)}`);
    return '';
  }
  return text;
}

function readCell(person: ImportedPerson, parts: Parts, column: Column, text: string, reading: RowContext): void {
  if (!text) return;
  const target = column.target;
  const value = PROSE.includes(target) ? text : dataOf(text);
  if (!value) return;
  switch (target) {
    case 'ignore':
      return;
    case 'custom':
      if (column.heading)
        person.custom[column.heading] = person.custom[column.heading] ? `${person.custom[column.heading]}\n${value}` : value;
      return;
    case 'first':
      person.first = person.first ? `${person.first} ${value}` : value;
      return;
    case 'middle':
      parts.middle = value;
      return;
    case 'last':
      person.last = value;
      return;
    case 'name':
      parts.whole ||= value;
      return;
    case 'company':
      person.company ??= value;
      return;
    case 'notes':
      person.notes = person.notes ? `${person.notes}\n${text}` : text;
      return;
    case 'email':
      return emailsInto(person, person.emails, value);
    case 'phone':
      return phonesInto(person, person.phones, value);
    case 'fax':
      person.fax ??= readPhones(value).found[0]?.number ?? null;
      return;
    case 'street':
      return void setAddress(person, { street: person.address?.street ?? value });
    case 'street2':
      parts.street2 = value;
      return;
    case 'city':
      return void setAddress(person, { city: person.address?.city ?? value });
    case 'postal_code':
      return void setAddress(person, { postalCode: person.address?.postalCode ?? value.replace(/\.0+$/, '') });
    case 'address':
      return wholeAddress(person, value);
    case 'region':
      person.region ??= value;
      return;
    case 'country':
      person.country ??= value;
      return;
    case 'property':
      parts.property.push(value);
      return;
    case 'birthday':
    case 'anniversary':
    case 'closing_date':
      return dayInto(person, column, value, reading);
    case 'roles': {
      const read = roleWords(value);
      person.roles.push(...read.roles.filter((role) => !person.roles.includes(role)));
      person.stage ??= read.stage;
      person.tags.push(...read.rest.filter((tag) => !person.tags.includes(tag)));
      return;
    }
    case 'tags':
      person.tags.push(
        ...tagWords(value).filter((tag) => !person.tags.some((known) => known.toLowerCase() === tag.toLowerCase())),
      );
      return;
    case 'stage': {
      const stage = stageWord(value, reading.words?.stages);
      const { roles } = roleWords(value);
      if (stage) person.stage ??= stage;
      else if (roles.length) person.roles.push(...roles.filter((role) => !person.roles.includes(role)));
      else person.tags.push(...tagWords(value));
      return;
    }
    case 'horizon':
      person.horizon ??= horizonWord(value, reading.words?.horizons);
      return;
    case 'want_price_min':
    case 'want_price_max':
    case 'want_bedrooms':
    case 'want_bathrooms':
    case 'want_areas':
    case 'want_kinds':
    case 'want_features':
    case 'want_words':
      readWant(person, target, value, column.heading);
      return;
    case 'source':
      person.source ??= value;
      return;
    case 'owner':
      person.owner ??= value;
      return;
    case 'partner_first':
      parts.partner.first = value;
      return;
    case 'partner_last':
      parts.partner.last = value;
      return;
    case 'partner_name':
      parts.partner.whole = value;
      return;
    case 'partner_email':
      return emailsInto(person, parts.partner.emails, value);
    case 'partner_phone':
      return phonesInto(person, parts.partner.phones, value);
    case 'partner_birthday':
      parts.partner.birthday = readDay(value, column.order ?? 'month-first', reading.thisYear);
      if (!parts.partner.birthday) doubt(person, 'bad-date', `“${value}” can’t be read as a birthday`);
      return;
    default:
      return permissionInto(person, target, column.heading, value);
  }
}

function emailsInto(person: ImportedPerson, list: string[], value: string): void {
  const read = readEmails(value);
  for (const email of read.found) if (!list.includes(email)) list.push(email);
  for (const other of read.unread) doubt(person, 'bad-email', `“${other.slice(0, 80)}” is not a valid email address`);
}

function phonesInto(person: ImportedPerson, list: string[], value: string): void {
  const read = readPhones(value);
  for (const { number, extension } of read.found) {
    if (!list.includes(number)) list.push(number);
    if (extension && list === person.phones) person.extensions[number] = extension;
  }
  for (const other of read.unread) doubt(person, 'bad-phone', `“${other.slice(0, 80)}” is not a valid phone number`);
}

const setAddress = (person: ImportedPerson, part: NonNullable<ImportedPerson['address']>) =>
  (person.address = { ...person.address, ...part });

/** `12 Heron Lane, Saltmarsh, WA 98741` in one cell; what cannot be taken apart stays the street. */
function wholeAddress(person: ImportedPerson, value: string): void {
  let rest = value;
  /** What the address ends with, taken off it. */
  const ending = (pattern: RegExp): string | null => {
    const found = pattern.exec(rest);
    if (found) rest = rest.slice(0, found.index).replace(/[,\s]+$/, '');
    return found?.[1] ?? null;
  };
  ending(/[,\s](USA?|United States)$/);
  const postalCode = ending(/[,\s](\d{5}(?:-\d{4})?)$/);
  const region = ending(/[,\s]([A-Z]{2})$/);
  const at = Math.max(rest.lastIndexOf(','), rest.lastIndexOf('\n'));
  if (at < 1 || (!postalCode && !region)) return void setAddress(person, { street: value.replace(/\n/g, ', ') });
  setAddress(person, {
    street: trimmed(rest.slice(0, at).replace(/\n/g, ', ')),
    city: trimmed(rest.slice(at + 1)),
    ...(postalCode ? { postalCode } : {}),
  });
  person.region ??= region;
}

function dayInto(person: ImportedPerson, column: Column, value: string, reading: RowContext): void {
  const day = readDay(value, column.order ?? 'month-first', reading.thisYear);
  const field = { birthday: 'birthday', anniversary: 'anniversary', closing_date: 'closingDate' }[
    column.target as 'birthday'
  ] as 'birthday';
  if (day && !(column.target === 'birthday' && !day.startsWith('-') && Number(day.slice(0, 4)) > reading.thisYear))
    person[field] ??= day;
  else doubt(person, 'bad-date', `there is no ${value.slice(0, 60)}`);
}

function permissionInto(person: ImportedPerson, target: Target, heading: string, value: string): void {
  const [way, channel] = target.split('_') as ['permit' | 'forbid', Channel | 'all'];
  const permission = yesOrNo(value);
  if (permission === null) return;
  if (permission === 'unclear')
    return doubt(person, 'unclear-permission', `“${value.slice(0, 60)}” under “${heading}” is neither yes nor no`);
  if (way === 'forbid' && !permission) return;
  const state = way === 'permit' && permission ? 'granted' : 'withdrawn';
  for (const one of channel === 'all' ? CHANNEL_KEYS : [channel])
    if (person.permissions[one] !== 'withdrawn') person.permissions[one] = state;
}

/** Puts together what several cells say. */
function finish(person: ImportedPerson, parts: Parts): void {
  let partner: { first: string; last: string } | null = null;
  if (parts.whole && !person.first && !person.last) {
    const read = readName(parts.whole);
    Object.assign(person, { first: read.first, last: read.last });
    partner = read.partner;
  } else if (person.first) {
    const read = readFirst(person.first);
    person.first = read.first;
    if (read.partner) partner = { first: read.partner, last: person.last };
  }
  if (parts.middle && person.first) person.custom['Middle name'] ??= parts.middle;
  if (parts.street2) setAddress(person, { street: [person.address?.street, parts.street2].filter(Boolean).join(', ') });
  if (parts.property.length) person.propertyAddress = parts.property.join(', ');
  const own = parts.partner;
  if (own.whole) {
    const read = readName(own.whole);
    partner = { first: read.first, last: read.last };
  }
  if (own.first || own.last) partner = { first: own.first, last: own.last };
  if (partner || own.emails.length || own.phones.length)
    person.partner = {
      first: partner?.first ?? '',
      last: partner?.last || person.last,
      emails: own.emails,
      phones: own.phones,
      birthday: own.birthday,
    };
  if (person.address && !person.address.street && !person.address.city && !person.address.postalCode) person.address = null;
  doubtWhole(person);
}
