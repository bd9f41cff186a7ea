/** What a mail holds or carries beside its words: documents of machines, the card of a person. */
import { CardReader, findDelimiter, readCard, readCsv } from '../imports';
import { readJson, readPairs, readXml } from './documents';
import { blank, type Draft } from './draft';
import { meaningOf } from './labels';
import type { Entry, Mail } from './mail';

/** A text that is one element as a whole, or says that it is XML. */
function isXml(text: string): boolean {
  const whole = text.trim();
  const [, name] = /^<([\w:.-]+)/.exec(whole) ?? [];
  return whole.startsWith('<?xml') || (name !== undefined && whole.endsWith(`</${name}>`));
}

/** The documents that a mail holds or carries. */
export function documentEntries(mail: Mail): Entry[] {
  const entries: Entry[] =
    readJson(mail.text) ?? readPairs(mail.text) ?? readTable(mail.text) ?? (isXml(mail.text) ? readXml(mail.text) : []);
  for (const { type, name, text } of mail.attached) {
    if (/json/.test(type) || /\.json$/i.test(name)) entries.push(...(readJson(text) ?? []));
    else if (/csv/.test(type) || /\.csv$/i.test(name)) entries.push(...tableEntries(text));
    else if (/xml/.test(type) || /\.xml$/i.test(name)) entries.push(...readXml(text));
  }
  return entries;
}

/** The one row of a table, by its headings; of several a person must look. */
function tableEntries(text: string): Entry[] {
  const [heads, ...rows] = readCsv(text.slice(0, 20_000), findDelimiter(text)).map(({ cells }) => cells);
  return heads && rows.length === 1 ? heads.map((label, n) => ({ label, value: rows[0]![n] ?? '' })) : [];
}

/** A body that is a table with headings that are known. */
function readTable(text: string): Entry[] | null {
  const [heads = ''] = text.trimStart().split('\n');
  const known = heads.split(/[,;\t]/).filter((cell) => meaningOf(cell.replace(/["\r]/g, '')));
  return known.length >= 3 && !/:/.test(heads) ? tableEntries(text.trim()) : null;
}

/** A card that stands in the text is one that is attached. */
export function withCard(mail: Mail): Mail {
  const from = mail.text.search(/^BEGIN:VCARD/im);
  const end = from < 0 ? null : /^END:VCARD/im.exec(mail.text.slice(from));
  if (!end) return mail;
  const card = mail.text.slice(from, from + end.index + end[0].length);
  return {
    ...mail,
    text: mail.text.replace(card, ''),
    attached: [...mail.attached, { type: 'text/vcard', name: '', text: card }],
  };
}

/** The person of an attached card. */
export function fromCard(mail: Mail): Draft | null {
  const card = mail.attached.find(({ type, name }) => /vcard|directory/.test(type) || /\.vcf$/i.test(name));
  if (!card) return null;
  const reader = new CardReader();
  const [first] = [...reader.feed(card.text), ...reader.end()];
  if (!first) return null;
  const person = readCard(first, 1, 2026);
  return {
    ...blank(),
    first: person.first || null,
    last: person.last || null,
    emails: person.emails,
    phones: person.phones.map((number) => ({ number, extension: person.extensions[number] ?? null })),
  };
}
