/**
 * What a door learns from a person who corrects a reading: where the value stood, as the words before and behind it. The next mail
 * of that sender that has those words is read so. Numbers in the words may differ; nothing else may.
 */
import { escapePattern, ownPattern, textPattern } from '../shared';
import { emailsIn, listingIn, personName, phonesIn } from './values';
import type { LeadMail } from './mail';

export const EXTRACTED_FIELDS = ['name', 'first_name', 'last_name', 'email', 'phone', 'message', 'listing'] as const;
/** A fact that an extraction rule finds in a mail. */
export type ExtractedField = (typeof EXTRACTED_FIELDS)[number];
/** Where a sender's mails have a fact, learned from a correction. */
export interface ExtractionRule {
  field: ExtractedField;
  /** The words right before the value; a whole label where there is one. */
  before: string;
  /** The words right behind it; empty at the end of its line. */
  after: string;
}

/** So many words are enough to find a place in running text again. */
const WORDS_BEFORE = 4;
const WORDS_AFTER = 2;
const LONGEST = 120;
const lastLine = (text: string): string => text.slice(text.lastIndexOf('\n') + 1);
const firstLine = (text: string): string => text.split('\n', 1)[0]!;

/**
 * The lesson of a value that a person marked in a body, or typed as it stands there.
 * @returns null when it does not stand there, or when nothing before it tells its place
 */
export function ruleFromMark(body: string, field: ExtractedField, marked: string): ExtractionRule | null {
  const value = marked.trim();
  const at = value ? body.indexOf(value) : -1;
  if (at < 0) return null;
  const head = body.slice(0, at);
  const same = lastLine(head).trim();
  const before = same || lastLine(head.trimEnd()).trim();
  const label = /:\s*$/.test(before) ? lastPart(before) : before.split(/\s+/).slice(-WORDS_BEFORE).join(' ');
  if (!/\p{L}{2}/u.test(label)) return null;
  const tail = body.slice(at + value.length);
  const rest = field === 'message' ? firstLine(tail.trimStart()) : firstLine(tail).trim();
  const after = rest.split(/\s+/).slice(0, WORDS_AFTER).join(' ');
  return { field, before: label.slice(-LONGEST), after: /[\p{L}\p{N}.,;|)]/u.test(after) ? after.slice(0, LONGEST) : '' };
}

/** Of several labels on a line the last: `Ref: 12 | Who: ` is `Who:`. */
const lastPart = (line: string): string =>
  line
    .split(/\s+[|·•]\s+/)
    .at(-1)!
    .trim();

/** The words with any number where they have one, and any space between them. */
const asPattern = (words: string): RegExp =>
  ownPattern(escapePattern(words).replace(/\d+/g, '\\d+').replace(/\s+/g, '\\s+'), 'iu');

/** What stands at the place of a lesson in this body; null when its words are not there. */
export function applyRule(body: string, { field, before, after }: ExtractionRule): string | null {
  const value = field === 'message' ? /[\s\S]{1,20000}?/u : /[^\n]{1,300}?/u;
  const end = after ? textPattern('iu')`\s*${asPattern(after)}` : field === 'message' ? /\n\s*\n|\s*$/u : /[ \t]*(?:\n|$)/u;
  const found = textPattern('iu')`(?<![\p{L}\p{N}])${asPattern(before)}\s*(${value})(?=${end})`.exec(body);
  return found?.[1]?.trim() || null;
}

/** The reading of a mail with what its door learned. What is no lead stays none. */
export function applyRules(read: LeadMail, body: string, rules: readonly ExtractionRule[]): LeadMail {
  if (!rules.length || read.kind === 'not-a-lead' || read.kind === 'reply') return read;
  const taught = { ...read };
  let learned = false;
  for (const rule of rules) {
    const value = applyRule(body, rule);
    if (value) learned = teach(taught, rule.field, value) || learned;
  }
  if (!learned) return read;
  if (!taught.roles.length) Object.assign(taught, { roles: ['buyer'], roleAssumed: true });
  if (taught.kind === 'needs-a-person' && taught.emails.length + taught.phones.length > 0)
    Object.assign(taught, { kind: 'lead', because: 'Read as a person corrected it before.' });
  return taught;
}

/** @returns whether the value is one of that field */
function teach(read: LeadMail, field: ExtractedField, value: string): boolean {
  const name = { first: read.name?.first ?? null, last: read.name?.last ?? null };
  switch (field) {
    case 'name': {
      const who = personName(value);
      if (who) read.name = { first: who.first, last: who.last };
      return who !== null;
    }
    case 'first_name':
      read.name = { ...name, first: value };
      return true;
    case 'last_name':
      read.name = { ...name, last: value };
      return true;
    case 'email': {
      const emails = emailsIn(value);
      if (emails.length) read.emails = emails;
      return emails.length > 0;
    }
    case 'phone': {
      const phones = phonesIn(value).map(({ number }) => number);
      if (phones.length) read.phones = phones;
      return phones.length > 0;
    }
    case 'message':
      read.message = value.replace(/\s+/g, ' ');
      return true;
    case 'listing':
      read.listing = { ...read.listing, ...listingIn(value) };
      return true;
  }
}
