/** E-mail addresses and phone numbers out of one cell: several in one, with labels, extensions, letters. */
import { cleanEmail, phoneOf, type Phone } from '../capture';
import { isPlaceholder } from '../identity';
import { dataOf } from './cell';

/** What a cell held more than one of, read and unread. */
export interface ParsedList<T> {
  found: T[];
  /** What stood there and is none. */
  unread: string[];
}

/** The e-mail addresses of a cell. */
export function readEmails(cell: string): ParsedList<string> {
  const read: ParsedList<string> = { found: [], unread: [] };
  const text = dataOf(cell);
  if (!text) return read;
  const whole = emailOf(text);
  for (const part of whole ? [text] : text.split(/[;,|\n]|\s\/\s|\/(?=[^/]*@)|\s(?:or|and|und|y|et)\s/i)) {
    const value = dataOf(part);
    if (!value) continue;
    const email = emailOf(value);
    if (email && isPlaceholder(email)) read.unread.push(value);
    else if (email) add(read.found, email);
    else if (/@\S+\s+\S+@/.test(value)) value.split(/\s+/).forEach((one) => push(read, emailOf(one), one));
    else read.unread.push(value);
  }
  return read;
}

const push = (read: ParsedList<string>, email: string | null, raw: string) =>
  email ? add(read.found, email) : read.unread.push(raw);
const add = (list: string[], value: string): void => {
  if (!list.includes(value)) list.push(value);
};

/** `home: oda@x.example` without its label. */
function withoutLabel(text: string): string {
  const label = /^[a-z]+\s*:/i.exec(text)?.[0];
  return label && !text.includes(':', label.length) ? text.slice(label.length).trim() : text;
}

/** More than that is no address and no number. */
const LONGEST_EMAIL = 400;

/** `Oda <oda@x.example>`, `home: oda@x.example`, `oda@x.example (work)`. */
function emailOf(text: string): string | null {
  if (text.length > LONGEST_EMAIL) return null;
  const angled = /<([^<>@]+@[^<>]+)>/.exec(text);
  if (angled) return cleanEmail(angled[1]!);
  return (
    cleanEmail(
      withoutLabel(text)
        .replace(/\([^()]*\)\s*$/, '')
        .trim(),
    ) ?? cleanEmail(text)
  );
}

/** The phone numbers of a cell. */
export function readPhones(cell: string): ParsedList<Phone> {
  const read: ParsedList<Phone> = { found: [], unread: [] };
  const text = dataOf(cell);
  if (!text) return read;
  const whole = phoneOf(text);
  const parts = whole ? [text] : text.split(/[;|,\n]|\s\/\s|\s(?:or|and|und|oder|o|y|et|ou)\s|&|(?<=\d{4}\s?)\/(?=\s?[+(\d])/i);
  for (const part of parts) {
    const value = dataOf(part);
    if (!value) continue;
    const phone = phoneOf(value);
    if (!phone || isPlaceholder(phone.number)) read.unread.push(value);
    else if (!read.found.some((one) => one.number === phone.number)) read.found.push(phone);
  }
  return read;
}
