/** E-mail addresses and phone numbers out of one cell: several in one, with labels, extensions, letters. */
import { parsePhoneNumberFromString } from 'libphonenumber-js';
import { cleanEmail } from '../capture';
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
    if (email) add(read.found, email);
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
const LONGEST_PHONE = 120;

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

/** A phone number in E.164, with its extension. */
export interface Phone {
  number: string;
  extension: string | null;
}

const LETTERS = 'abcdefghijklmnopqrstuvwxyz';
const KEYS = '22233344455566677778889999';

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
    if (!phone) read.unread.push(value);
    else if (!read.found.some((one) => one.number === phone.number)) read.found.push(phone);
  }
  return read;
}

/** One phone number, read as one of the United States when it has no international prefix; null when it is none. */
export function phoneOf(raw: string): Phone | null {
  if (raw.length > LONGEST_PHONE) return null;
  let text = raw
    .trim()
    .replace(/^tel:/i, '')
    .replace(/[‐-―−]/g, '-')
    .replace(/\u00a0/g, ' ');
  let extension: string | null = null;
  const ext = /(?:;ext=|ext(?:ension|n)?\.?|x|#|durchwahl)\s*(?::\s*)?(\d{1,7})\)?$/i.exec(text);
  if (ext && ext.index > 6) {
    extension = ext[1]!;
    text = text.slice(0, ext.index).replace(/[\s,;(]+$/, '');
  }
  text = text
    .replace(/\s*\((?:home|work|cell|mobile|office|h|w|c|m|o)\)\s*$/i, '')
    .replace(/^[a-z]+(?:\s+phone)?[.:]?\s+(?=[+(\d])/i, '')
    .replace(/^[hwcmo][.:]?(?=[+(\d])/i, '');
  text = text
    .replace(/(?<=\d)\.0+$/, '')
    .replace(/^00(?=[1-9])/, '+')
    .replace(/\s+(?:home|work|cell|mobile|office|direct)$/i, '');
  if (/[a-z]/i.test(text)) {
    if (!/^[\d\s().+-]*\d{3}[\s().-]*[A-Za-z]{3,7}[\s.-]*\d*$/.test(text)) return null;
    text = text.replace(/[a-z]/gi, (letter) => KEYS[LETTERS.indexOf(letter.toLowerCase())]!);
  }
  if (text.length > 40 || !/^[+\d\s().,/-]+$/.test(text)) return null;
  const parsed = parsePhoneNumberFromString(text.replace(/[/,]/g, '-'), { defaultCountry: 'US', extract: false });
  if (!parsed?.isPossible()) return null;
  if (parsed.countryCallingCode === '1' && parsed.nationalNumber.length !== 10) return null;
  return { number: parsed.number, extension: extension ?? parsed.ext ?? null };
}
