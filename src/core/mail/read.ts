/**
 * Reading a lead from a mail: what has a label first (documents, tables, lists, forms), otherwise what the sentences say. Only what
 * the mail says is answered; whatever stands in the sender's own card, in quotes or in the lines of a service is not of the lead.
 */
import type { ContactRole } from '../contacts';
import { boundedMail, boundedText } from './bounds';
import { documentEntries, fromCard, withCard } from './attachments';
import { addPhones, named, oneLine, unique, worth, type Draft } from './draft';
import { fromEntries, isDigest, isContactList } from './entries';
import { beforeSignature, forwardedIn, withoutQuoted, withoutService } from './forwards';
import { readHtml, shownText } from './html';
import { plainText } from './page';
import { isAutomatic, isBill, isBounce, isBulk, isBusiness, isReply, isRubbish } from './kind';
import { fromProse } from './letter';
import { readLines } from './lines';
import { movingDayIn } from './days';
import type { Entry, LeadMail, Mail, MailSections } from './mail';
import { ownWords, serviceWords, theirTurns } from './own-words';
import {
  addressIn,
  introducedName,
  listingIdIn,
  numberOfListing,
  permissionsIn,
  priceAsked,
  reportedName,
  rolesInProse,
  speaksOfAWish,
  wantsIn,
} from './prose';
import { answersTo, isServiceSender, sourceOf } from './sender';
import { senderName, sumsIn } from './values';
import { fromSubject, nameTwice } from './who';

/** A mail's words in two ways. */
interface Words {
  /** As a person reads them. */
  body: string;
  /** Those that are no labelled values; of a text, which keeps its lines in their order, all. */
  around: string;
}
/** The words of a mail: its text, or what its HTML shows where that is plainly more. @param page its HTML, read */
function wordsOf(mail: Mail, page: MailSections | null): Words {
  const text = plainText(mail.text).replace(/\r\n?/g, '\n');
  if (!page) return { body: text, around: text };
  const { entries, prose } = page;
  const shown = [...entries.map(({ label, value }) => `${label.replace(/:$/, '')}: ${value}`), ...prose].join('\n').trim();
  return letters(shown) > letters(text) * 1.3 ? { body: shown, around: prose.join('\n').trim() } : { body: text, around: text };
}
/** A body as a person reads it. */
export const bodyOf = (mail: Mail): string => wordsOf(mail, mail.html ? readHtml(mail.html) : null).body;
const letters = (text: string): number => text.replace(/\s+/g, '').length;

/** The answer for mails of which nobody is to be made a contact. */
const nothing = (kind: LeadMail['kind'], because: string, source: string): LeadMail => ({
  kind,
  because,
  emails: [],
  phones: [],
  roles: [],
  source,
});

/**
 * Reads a mail. Never fails: what cannot be read needs a person.
 * @param now the day of the mail, for days without a year; null when it is not known
 */
export function readLeadMail(whole: Mail, now: Date | null = null): LeadMail {
  const mail = withCard(boundedMail(whole));
  if (isBounce(mail)) return nothing('not-a-lead', 'A mail server says that a mail of ours did not arrive.', 'Mail server');
  if (isAutomatic(mail)) return nothing('not-a-lead', 'An automatic answer.', 'Automatic answer');
  if (mail.mails.length > 1) return nothing('needs-a-person', `It holds ${mail.mails.length} mails.`, sourceOf(mail, true));
  if (mail.mails.length === 1) return forwarded(mail, mail.mails[0]!, now);
  const page = mail.html ? readHtml(mail.html) : null;
  const { body, around } = wordsOf(mail, page);
  const inside = forwardedIn(body, mail.subject) ?? (mail.html ? forwardedIn(shownText(mail.html), mail.subject) : null);
  if (inside)
    return forwarded(
      mail,
      {
        ...mail,
        from: inside.from,
        replyTo: [],
        subject: inside.subject,
        text: inside.text,
        html: '',
        headers: {},
        attached: mail.attached,
      },
      now,
    );
  const documents = documentEntries(mail);
  const readings: MailSections[] = [
    ...(documents.length ? [{ entries: documents, prose: [] }] : []),
    ...(page ? [page] : []),
    ...(mail.text.trim() ? [readLines(plainText(mail.text))] : []),
  ];
  if ((readings.some(isDigest) || isContactList(body)) && !documents.length)
    return nothing('needs-a-person', 'It speaks of several people.', sourceOf(mail, true));
  const drafts = readings.map((reading) => fromEntries(reading, now));
  const best = drafts.reduce<Draft | null>((a, b) => (a && worth(a) >= worth(b) ? a : b), null);
  const labelled =
    best && (best.first || best.last) && (best.emails.length || best.phones.length || best.message) && worth(best) >= 4
      ? best
      : null;
  const wish = !labelled && speaksOfAWish(`${mail.subject}\n${body}`);
  if (isBulk(mail) && !(labelled && labelled.emails.length + labelled.phones.length) && !(wish && isServiceSender(mail)))
    return nothing('not-a-lead', 'Sent to many at once.', sourceOf(mail, true));
  if (!wish && isRubbish(`${mail.subject}\n${labelled?.message ?? body}`))
    return nothing('not-a-lead', 'Its words are those of rubbish sent to everybody.', sourceOf(mail, true));
  if (isReply(mail) && !labelled) return reply(mail, body);
  const bare = !labelled || (!labelled.message && !labelled.phones.length && !Object.keys(labelled.listing).length);
  const business = isBusiness(mail) && !body.split('\n').some(addressIn);
  if (bare && isServiceSender(mail) && (isBill(mail) || business) && !rolesInProse(body))
    return nothing('not-a-lead', 'A service writes about a bill or an account.', sourceOf(mail, true));
  const machine = labelled ?? (best && worth(best) >= 3 && isServiceSender(mail) ? best : null);
  return machine ? fromForm(mail, { body, around }, machine, now) : fromLetter(mail, body, now);
}

function forwarded(outer: Mail, inner: Mail, now: Date | null): LeadMail {
  const read = readLeadMail(inner, now);
  const by = senderName(outer.from?.name ?? '') ? outer.from!.name : (outer.from?.address ?? 'somebody');
  return {
    ...read,
    kind: read.kind === 'reply' ? 'lead' : read.kind,
    source: `Forwarded by ${by}`,
    origin: read.origin ?? read.source,
  };
}

function reply(mail: Mail, body: string): LeadMail {
  return {
    ...nothing('reply', 'It answers a mail.', 'Reply'),
    emails: mail.from ? [mail.from.address.toLowerCase()] : [],
    message: oneLine(withoutQuoted(body)),
  };
}

/** A form, a portal, a document: what is labelled, completed by what the lead's own words say. */
function fromForm(mail: Mail, { body, around }: Words, draft: Draft, now: Date | null): LeadMail {
  const prose = withoutService(beforeSignature(withoutQuoted(around)), mail);
  if (!draft.message) draft.message = theirTurns(body, draft.first);
  if (!draft.message) draft.message = isServiceSender(mail) ? ownWords(prose) : readLines(prose).prose.join('\n').trim();
  /* The words are kept as they are; for what they say a line of them is as long as any. */
  const text = boundedText(draft.message);
  if (!draft.first && !draft.last) {
    const who = introducedName(text) ?? introducedName(body);
    if (who) Object.assign(draft, { first: who.first, last: who.last });
  }
  if (!draft.first && !draft.last && isServiceSender(mail))
    Object.assign(draft, named(reportedName(`${mail.subject}\n${prose}`) ?? nameTwice(mail.subject, body)));
  answersTo(mail, draft);
  if (isServiceSender(mail) && !draft.emails.length && !draft.phones.length) fromSubject(draft, mail.subject);
  const listed = Object.keys(draft.listing).length > 0;
  if (!draft.listing.id) {
    const id =
      listingIdIn(text) ??
      numberOfListing(`${mail.subject}\n${serviceWords(prose, draft)}`) ??
      (listed
        ? null
        : (listingIdIn(serviceWords(prose, draft)) ?? (aboutProperty(mail.subject) ? listingIdIn(mail.subject) : null)));
    if (id) draft.listing.id = id;
  }
  const roles = draft.chosen.length
    ? unique(draft.chosen)
    : rolesInProse(`${mail.subject}\n${draft.cues.join('\n')}\n${text}\n${serviceWords(prose, draft)}`);
  if (!draft.listing.address) {
    const inSubject = aboutProperty(mail.subject) || isStreet(mail.subject) ? addressIn(mail.subject) : null;
    const address = (listed ? null : (addressIn(serviceWords(prose, draft)) ?? addressIn(text))) ?? inSubject;
    if (address) draft.listing.address = address;
  }
  if (draft.listing.address && draft.listing.price === undefined) {
    const price = serviceWords(prose, draft)
      .split('\n')
      .find((line) => OF_HOME.test(line) || (addressIn(line) === draft.listing.address && sumsIn(line).some(({ sure }) => sure)));
    if (price) draft.listing.price = sumsIn(price).find(({ sure }) => sure)?.value;
    if (draft.listing.price === undefined) delete draft.listing.price;
    if (/\/\s*mo/i.test(price ?? '')) draft.cues.push('monthly rent');
  }
  draft.wants = { ...wantsIn(text), ...draft.wants };
  draft.permissions = { ...permissionsIn(text), ...draft.permissions };
  draft.moveDate ??= movingDayIn(text, now);
  return answer(mail, draft, roles, sourceOf(mail, true));
}

const NO_MAIL: Mail = {
  messageId: null,
  from: null,
  replyTo: [],
  subject: '',
  headers: {},
  text: '',
  html: '',
  attached: [],
  mails: [],
};
/** What labelled values say of a lead that did not come by mail. */
export const readEntries = (entries: Entry[]): LeadMail =>
  fromForm(NO_MAIL, { body: '', around: '' }, fromEntries({ entries, prose: [] }, null), null);

const aboutProperty = (subject: string): boolean =>
  /\b(?:inquiry|signed in|open house|visit(?:or)?|about|home|house|listing|property|rental|showing|tour|viewing|available|interest\p{L}*|anfrage|objekt|inmueble|value|likes?)\b/iu.test(
    subject,
  );
/** A line that says what a home costs, and perhaps what it has: `$389,000 · 2 bed · 1 bath`. */
const OF_HOME = /^\s*[$€£]\s?\d[\d.,]*k?(?:\s*\/\s*mo(?:nth)?)?\s*(?:$|[·|,•]\s*\d)/iu;
/** A line that says what rooms it has, and nothing else. */
const OF_ROOMS = /^\s*\d{1,2}\s*(?:beds?|bd|br|bedrooms?)\W+\d{1,2}(?:\.\d)?\s*(?:baths?|ba|bathrooms?)\W*$/iu;
/** A subject that is a street and its number. */
const isStreet = (subject: string): boolean =>
  /^(?:(?:re|about|regarding|question about)\s*(?::\s*)?|[\p{L} ]{2,30}:\s*)?\d{1,5} (?:\p{Lu}[\p{L}'’]*\s+){1,3}(?:street|st|road|rd|lane|ln|avenue|ave|court|ct|drive|dr|way|place|pl|row|terrace|circle|loop|boulevard|blvd|crescent|close|square|quay|point|trail|parkway|hill|alley|walk)\b/iu.test(
    subject.trim(),
  );

/** Said of one of two: `please no calls to her`. */
const OF_ONE = /[^.!?\n]*\b(?:to|call|text|ring|e-?mail) (?:her|him)\b[^.!?\n]*/giu;
/** A mail that a person wrote. */
function fromLetter(mail: Mail, body: string, now: Date | null): LeadMail {
  const draft = fromProse(mail, body, now);
  const card = fromCard(mail);
  if (card) {
    /* Whoever sends the card of another is not the lead. */
    const own = mail.from?.address.toLowerCase();
    const theirs = !card.last || draft.last === card.last ? draft.emails : draft.emails.filter((email) => email !== own);
    draft.emails = unique([...card.emails, ...theirs]);
    addPhones(draft, card.phones);
    Object.assign(draft, { first: card.first ?? draft.first, last: card.last ?? draft.last });
  }
  const words = draft.message;
  const roles = rolesInProse(`${mail.subject}\n${words}`);
  const id = listingIdIn(words) ?? (aboutProperty(mail.subject) ? listingIdIn(mail.subject) : null);
  if (!words && !isServiceSender(mail)) draft.message = mail.subject.trim();
  const address =
    addressIn(words) ?? (aboutProperty(mail.subject) || !words || isStreet(mail.subject) ? addressIn(mail.subject) : null);
  if (id) draft.listing.id = id;
  if (address) draft.listing.address = address;
  const asked = id || address ? priceAsked(words) : undefined;
  if (asked) draft.listing.price = asked;
  /* Where a service names the home, its price and rooms are those of the home. */
  const ofHome =
    address && isServiceSender(mail)
      ? words.split('\n').filter((line) => addressIn(line) === address || OF_HOME.test(line) || OF_ROOMS.test(line))
      : [];
  const price = ofHome.flatMap(sumsIn).find(({ sure, monthly }) => sure && !monthly)?.value;
  if (price) draft.listing.price ??= price;
  draft.wants = wantsIn(ofHome.reduce((rest, line) => rest.replace(line, ' '), words));
  draft.permissions = permissionsIn(draft.partner ? words.replace(OF_ONE, ' ') : words);
  return answer(mail, draft, roles, sourceOf(mail, isServiceSender(mail)));
}

/** Whole dollars. */
const LEAST_TO_BUY = 10_000;

function answer(mail: Mail, draft: Draft, statedRoles: ContactRole[] | null, source: string): LeadMail {
  /* Nobody buys for so little; it is what they would pay every month. */
  const monthly = draft.wants.priceMax !== undefined && draft.wants.priceMax < LEAST_TO_BUY;
  const guessed: ContactRole[] = monthly ? ['renter'] : ['buyer'];
  const roles = statedRoles ?? guessed;
  const looks = roles.includes('buyer') || roles.includes('renter');
  const wants = looks ? draft.wants : {};
  const emails = unique(draft.emails);
  const reachable = emails.length + draft.phones.length > 0;
  const extensions = Object.fromEntries(
    draft.phones.filter(({ extension }) => extension).map(({ number, extension }) => [number, extension!]),
  );
  const found = reachable || draft.first || draft.last || draft.message;
  return {
    kind: reachable ? 'lead' : 'needs-a-person',
    because: reachable
      ? 'It names somebody and a way to reach them.'
      : found
        ? 'It names no way to reach anybody.'
        : 'Nothing could be read from it.',
    ...(draft.first || draft.last ? { name: { first: draft.first, last: draft.last } } : {}),
    ...(draft.partner && (draft.partner.first || draft.partner.last)
      ? { partner: { first: draft.partner.first, last: draft.partner.last } }
      : {}),
    emails,
    phones: draft.phones.map(({ number }) => number),
    ...(Object.keys(extensions).length ? { extensions } : {}),
    roles: found ? roles : [],
    ...(found && !statedRoles ? { roleAssumed: true } : {}),
    ...(draft.message ? { message: oneLine(draft.message) } : {}),
    ...(Object.values(draft.listing).some((one) => one !== undefined) ? { listing: draft.listing } : {}),
    ...(Object.keys(wants).length ? { wants } : {}),
    ...(Object.keys(draft.permissions).length ? { permissions: draft.permissions } : {}),
    ...(draft.moveDate ? { moveDate: draft.moveDate } : {}),
    source,
  };
}
