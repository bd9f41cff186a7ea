/**
 * Reading a lead from a mail: what has a label first (documents, tables, lists, forms), otherwise what the sentences say. Only what
 * the mail says is answered; whatever stands in the sender's own card, in quotes or in the lines of a service is not of the lead.
 */
import type { ContactRole } from '../contacts';
import { CardReader, readCard, type Phone } from '../imports';
import { readJson, readPairs, readXml } from './documents';
import { beforeSignature, forwardedIn, isPassedOn, serviceOf, withoutDevice, withoutQuoted, withoutService } from './forwarded';
import { plainText, readHtml, shownText } from './html';
import { isAutomatic, isBounce, isBulk, isBusiness, isReply, isRubbish } from './kind';
import { channelOf, meaningOf, plainLabel, type Meaning } from './labels';
import { isService, readLines } from './lines';
import type { Entry, LeadMail, Mail, Mailbox, MailChannel, MailWants, Reading } from './mail';
import {
  addressIn,
  budgetIn,
  dayIn,
  movingDayIn,
  introducedName,
  listingIdIn,
  permissionsIn,
  reportedName,
  rolesChosen,
  rolesSaid,
  roomsIn,
  wantsIn,
  withWhom,
} from './prose';
import {
  chosenOf,
  emailsIn,
  listingIn,
  personName,
  phonesIn,
  phonesOf,
  plainValue,
  saidYes,
  senderName,
  sumsIn,
  type NameFound,
} from './values';

/** What is gathered while a mail is read. */
interface Draft {
  first: string | null;
  last: string | null;
  partner: { first: string | null; last: string | null } | null;
  emails: string[];
  phones: Phone[];
  message: string;
  listing: { id?: string; address?: string; price?: number };
  wants: MailWants;
  permissions: Partial<Record<MailChannel, 'granted' | 'withdrawn'>>;
  moveDate?: string;
  /** Words that tell what the lead wants to do. */
  cues: string[];
  /** What it chose from a list of them. */
  chosen: ContactRole[];
}
const blank = (): Draft => ({
  first: null,
  last: null,
  partner: null,
  emails: [],
  phones: [],
  message: '',
  listing: {},
  wants: {},
  permissions: {},
  cues: [],
  chosen: [],
});

const unique = <T>(list: T[]): T[] => [...new Set(list)];
const addPhones = (draft: Draft, phones: Phone[]): void => {
  for (const phone of phones) if (!draft.phones.some(({ number }) => number === phone.number)) draft.phones.push(phone);
};
const oneLine = (text: string): string => text.replace(/\s+/g, ' ').trim();
const unquoted = (text: string): string =>
  text
    .trim()
    .replace(/^["“„«']+|["”“»']+$/g, '')
    .trim();
const NOT_SAID = (value: string): boolean => !plainValue(value.split('\n')[0]!) && !value.includes('\n');

/** Whether the labels speak of several people, one after another: a digest. */
function isDigest({ entries }: Reading): boolean {
  const seen = new Map<string, Set<string>>();
  for (const { label, value, path = [] } of entries) {
    const meaning = meaningOf(label, path);
    if (meaning !== 'name' && meaning !== 'first' && meaning !== 'email') continue;
    const known = meaning === 'email' ? emailsIn(value).join() : personName(value) && oneLine(value).toLowerCase();
    if (!known) continue;
    const key = `${path.join('.')} ${plainLabel(label)}`;
    seen.set(key, (seen.get(key) ?? new Set()).add(known));
  }
  return [...seen].some(([key, values]) => values.size > 1 && (!/mail/.test(key) || values.size > 2));
}

/** `Araminta Boyle says:` */
const SAYS = /^(\p{Lu}\S+(?: \S+){1,3}) (?:says|said|wrote|writes|asks|asked)\b/u;
const asksBoth = (label: string): boolean => /\bbuy/i.test(label) && /\bsell/i.test(label);
const BOTH = /^(?:both|beides?|ambos|las dos|les deux|entramb[ei]|allebei|begge|båda)\b/iu;

/** So is what speaks before its number: `wants to view 5 Skerry Path in Petrel Point`. */
const SAID_BEFORE = /^\D*(?<!\p{L})\p{Ll}{2,}\s\D*\d/u;
/** What is longer than an address is a sentence with one. */
const MOST_WORDS = 11;

/** Takes what labels name. */
function fromEntries({ entries, prose }: Reading, now: Date | null): Draft {
  const draft = blank();
  const messages: string[] = [];
  const has = (wanted: Meaning) => entries.some(({ label, path, value }) => meaningOf(label, path) === wanted && value.trim());
  const [hasFirst, hasLast] = [has('first'), has('last')];
  let given: NameFound | null = null;
  /** The address may be where the lead lives: what is called the property is rather it. */
  let ownStreet = false;
  for (const { label, value: whole, path = [] } of entries) {
    const value = chosenOf(whole);
    if (!value.trim() || NOT_SAID(value)) continue;
    const meaning = meaningOf(label, path);
    switch (meaning) {
      case 'email':
        draft.emails.push(...emailsIn(plainValue(value) || value));
        addPhones(draft, phonesIn(plainValue(value).replace(/\S+@\S+/g, ' ')));
        break;
      case 'phone':
        if (!/\d{3}/.test(value) && /caller/i.test(label)) given ??= personName(value);
        addPhones(draft, phonesOf(plainText(value)));
        break;
      case 'first':
        draft.first ??= oneName(value);
        break;
      case 'last':
        draft.last ??= oneName(value);
        break;
      case 'name':
        draft.chosen.push(...rolesChosen(label.replace(/\bname\b|['’]s\b/giu, '')));
        if (rolesChosen(value).length) draft.chosen.push(...rolesChosen(value));
        else if (hasLast && !hasFirst) draft.first ??= oneName(value);
        else if (hasFirst && !hasLast && !value.trim().includes(' ')) draft.last ??= oneName(value);
        else given ??= orderedByLabel(label, value) ?? personName(value);
        draft.emails.push(...emailsIn(plainValue(value)));
        addPhones(draft, phonesIn(plainText(plainValue(value))));
        break;
      case 'partner':
        takePartner(draft, label, value);
        break;
      case 'selling':
        draft.cues.push('selling');
        messages.push(value);
        break;
      case 'message':
        given ??= personName(SAYS.exec(label)?.[1] ?? '');
        messages.push(value);
        break;
      case 'consent': {
        const channel = channelOf(label) ?? null;
        const yes = saidYes(value);
        if (channel && yes !== null) draft.permissions[channel] = yes ? 'granted' : 'withdrawn';
        else takeUnlabelled(draft, value);
        break;
      }
      case 'budget': {
        const least = /\b(?:from|min|minimum|desde|ab|lower)\b/i.test(plainLabel(label));
        const budget = budgetIn(value, true);
        if (/\bmonth/i.test(label) || sumsIn(value).some(({ monthly }) => monthly)) draft.cues.push('monthly rent');
        Object.assign(
          draft.wants,
          least && budget.priceMax !== undefined && budget.priceMin === undefined ? { priceMin: budget.priceMax } : budget,
        );
        break;
      }
      case 'price': {
        const range = budgetIn(value, true);
        draft.cues.push(value);
        if (/\b(?:rent|miete|kaltmiete|loyer|alquiler|renta|affitto|huur|leie|hyra)\b/i.test(plainLabel(label)))
          draft.cues.push('monthly rent');
        if (range.priceMin !== undefined && range.priceMax !== undefined) Object.assign(draft.wants, range);
        else draft.listing.price ??= sumsIn(value)[0]?.value;
        break;
      }
      case 'beds':
      case 'baths': {
        const rooms = roomsIn(value);
        const both = /\bbath/i.test(label) ? /(\d{1,2})\s*\+?\s*[/,|&]\s*(\d{1,2}(?:\.\d)?)/.exec(value) : null;
        const bare = /^\D{0,12}(\d{1,2}(?:[.,]\d)?)\s*\+?\D{0,12}$/.exec(value.trim())?.[1];
        if (Object.keys(rooms).length) Object.assign(draft.wants, rooms);
        else if (both && meaning === 'beds') Object.assign(draft.wants, { bedsMin: Number(both[1]), bathsMin: Number(both[2]) });
        else if (bare) draft.wants[meaning === 'beds' ? 'bedsMin' : 'bathsMin'] = Number(bare.replace(',', '.'));
        break;
      }
      case 'listing': {
        const listing = listingIn(value);
        if (listing.address && listing.address.split(' ').length > MOST_WORDS) listing.address = addressIn(value) ?? undefined;
        else if (listing.address && SAID_BEFORE.test(listing.address)) listing.address = addressIn(value) ?? listing.address;
        draft.cues.push(value);
        draft.listing = ownStreet ? { ...draft.listing, ...listing } : { ...listing, ...draft.listing };
        if (listing.address) ownStreet = false;
        break;
      }
      case 'address': {
        const { address, price } = listingIn(value);
        if (address && !draft.listing.address)
          ownStreet = !/\b(?:property|home|house|listing|objekt|bien|inmueble)\b/i.test(label);
        draft.listing = { ...(address ? { address } : {}), ...(price ? { price } : {}), ...draft.listing };
        break;
      }
      case 'areas':
        draft.wants.areas = unique([
          ...(draft.wants.areas ?? []),
          ...plainValue(value)
            .split(/\s*[;,/、，]\s*|\s+(?:or|and|und|oder|o|y|of|en|ou|et|veya|ve|lub|или)\s+/)
            .filter((one) => /\p{L}/u.test(one) && !/\d/.test(one)),
        ]);
        break;
      case 'move':
        draft.moveDate ??= dayIn(value, now);
        break;
      case 'purpose':
        draft.wants = { ...wantsIn(value), ...draft.wants };
        draft.cues.push(value);
        draft.chosen.push(
          ...rolesChosen(value),
          ...(asksBoth(label) && BOTH.test(value.trim()) ? (['buyer', 'seller'] as const) : []),
        );
        break;
      case null:
        takeUnlabelled(draft, value);
        break;
      case 'ignored':
        if (/(?:^| )type$/.test(plainLabel(label))) {
          draft.chosen.push(...rolesChosen(value));
          draft.cues.push(value);
        }
        break;
    }
  }
  if (given) {
    draft.first ??= given.first;
    draft.last ??= given.last;
    if (given.partner && !draft.partner) draft.partner = given.partner;
  }
  draft.message = messages.map((one) => unquoted(one)).join('\n\n');
  for (const line of beforeSignature(prose.join('\n')).split('\n'))
    if (/@/.test(line) ? !draft.emails.length : !draft.phones.length) takeUnlabelled(draft, line);
  return draft;
}

/** Where the label says that it asks for surnames, there are two of them; where it says that the family comes first, it does. */
function orderedByLabel(label: string, value: string): NameFound | null {
  const plain = plainLabel(label);
  const familyFirst = /^(?:ho (?:va )?ten|(?:teljes )?nev)$/.test(plain)
    ? /^(\p{Lu}\p{L}*)\s+(\p{Lu}.*)$/u.exec(value.trim())
    : null;
  if (familyFirst) return { first: familyFirst[2]!, last: familyFirst[1]!, partner: null };
  const read = /apellidos/.test(plain) ? personName(value) : null;
  const words = [read?.first, read?.last].filter(Boolean).join(' ').split(' ');
  if (!read || read.partner || words.length < 3 || words.some((one) => /^\p{Ll}/u.test(one))) return null;
  return { ...read, first: words.slice(0, -2).join(' '), last: words.slice(-2).join(' ') };
}
/** A name of which first or last is told apart already. */
const oneName = (value: string): string | null => {
  const read = personName(value);
  return read && [read.first, read.last].filter(Boolean).join(' ');
};
function takePartner(draft: Draft, label: string, value: string): void {
  const which = meaningOf(label);
  const partner = (draft.partner ??= { first: null, last: null });
  if (which === 'first') partner.first ??= oneName(value);
  else if (which === 'last') partner.last ??= oneName(value);
  else if (which === 'name' || which === 'partner') Object.assign(partner, personName(value) ?? {}, { partner: undefined });
}
/** A value that is nothing but an address or a number says by itself what it is. */
function takeUnlabelled(draft: Draft, value: string): void {
  const text = plainText(value).trim();
  if (/^\S+@\S+$/.test(text)) draft.emails.push(...emailsIn(text));
  else if (/^[+(\d][\d\s().\-/]{8,}(?:\s*(?:x|ext\.?)\s*\d+)?$/i.test(text)) addPhones(draft, phonesOf(text));
}

const worth = (draft: Draft): number =>
  (draft.first || draft.last ? 2 : 0) +
  (draft.emails.length ? 2 : 0) +
  (draft.phones.length ? 2 : 0) +
  (draft.message ? 1 : 0) +
  (draft.listing.id || draft.listing.address ? 1 : 0);

/** The documents that a mail holds or carries. */
function documentEntries(mail: Mail): Entry[] {
  const entries: Entry[] =
    readJson(mail.text) ??
    readPairs(mail.text) ??
    (/^\s*<(?:\?xml|(\w+)[^>]*>[^]*<\/\1>\s*$)/.test(mail.text) ? readXml(mail.text) : []);
  for (const { type, name, text } of mail.attached) {
    if (/json/.test(type) || /\.json$/i.test(name)) entries.push(...(readJson(text) ?? []));
    else if (/xml/.test(type) || /\.xml$/i.test(name)) entries.push(...readXml(text));
  }
  return entries;
}

/** A card that stands in the text is one that is attached. */
function withCard(mail: Mail): Mail {
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
function fromCard(mail: Mail): Draft | null {
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

/** Senders that are machines or desks, by what stands before the @. */
const DESK =
  /^(?:no-?reply|do-?not-?reply|info|inquir\p{L}*|anfragen?|avisos?|billing|accounts?|invoices?|payments?|orders?|security|verify|quiz|customer-?(?:care|service)|care|leads?|calls?|notif\p{L}*|alerts?|events?|classifieds|submissions?|responses?|listings?|portal|forms?|form-post|web(?:site|form|master)?|ads?|post|results?|office|team|hello|contact|support|mailer|news|moves|service|system|admin|robot|bot|chat\p{L}*|voice-?mails?|vm|phones?|telephony|pbx|sms|widget|referrals?|concierge|dispatch\p{L}*|desk|switchboard|reception\p{L}*|bounce\p{L}*)(?:[+._-].*)?$/iu;
/** `SignRing <events@signring.example>`: a service; `Mia Wallis <mia@miawallis.example>` is a person all the same. */
const isCalledLikeItsDomain = ({ name, address }: Mailbox): boolean => {
  const called = name.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');
  const [local = '', domain = ''] = address.toLowerCase().split('@');
  return called.length > 3 && called === domain.split('.')[0]!.replace(/-/g, '') && !called.includes(local);
};
const isDesk = (mail: Mail): boolean =>
  !mail.from ||
  isPassedOn(mail.from.name) ||
  DESK.test(mail.from.address.split('@')[0]!) ||
  isCalledLikeItsDomain(mail.from) ||
  (mail.from.name !== '' && !senderName(mail.from.name));

/** More of a body is not read; no lead begins behind it. */
const MOST_TEXT = 100_000;
const cut = (text: string, most: number): string =>
  text
    .slice(0, most)
    .split('\n')
    .map((line) => line.slice(0, 4_000))
    .join('\n');

/** A body as a person reads it: its text, or what its HTML shows where that is plainly more. */
export const bodyOf = (mail: Mail): string => {
  const text = plainText(mail.text).replace(/\r\n?/g, '\n');
  if (!mail.html) return text;
  const { entries, prose } = readHtml(mail.html);
  const shown = [...entries.map(({ label, value }) => `${label.replace(/:$/, '')}: ${value}`), ...prose].join('\n').trim();
  return letters(shown) > letters(text) * 1.3 ? shown : text;
};
const letters = (text: string): number => text.replace(/\s+/g, '').length;

/** Words without the lines that are nothing but a labelled way to reach somebody, and without those of the service. */
const withoutFacts = (words: string): string => {
  const facts = readLines(words)
    .entries.filter(({ label }) => ['phone', 'email'].includes(meaningOf(label) ?? ''))
    .map(({ label, value }) => `${label}${value}`.replace(/[\s:.]/g, ''));
  return words
    .split('\n')
    .filter((line) => !facts.includes(line.replace(/[\s:.]/g, '')) && !isService(line))
    .join('\n')
    .trim();
};

const NOT_A_NAME =
  /(?<!\p{L})(?:new|leads?|inquir\p{L}*|enquir\p{L}*|request|message|contact|form|buyers?|sellers?|website|showing|tour|nueva?|neue?|anfrage|solicitud|demande)(?!\p{L})/iu;
/** The parts of a subject that can be a name. */
const namesIn = (subject: string): string[] =>
  subject
    .split(/\s*[,;|:<>]\s*|\s+[-–—]\s+/)
    .filter((part) => /^\p{Lu}\S*(?:\s+\S+){1,3}$/u.test(part) && !/\d/.test(part) && !NOT_A_NAME.test(part));
/** Takes what the subject says, for mails that say no more: `New lead: Maren Holt, (564) 555-0177 - 22 Gull Lane`. */
function fromSubject(draft: Draft, subject: string): void {
  const emails = emailsIn(subject);
  const phones = phonesIn(subject);
  if (!emails.length && !phones.length) return;
  draft.emails.push(...emails);
  addPhones(draft, phones);
  const named = namesIn(subject)
    .map(personName)
    .find((one) => one?.first && one.last);
  draft.first ??= named?.first ?? null;
  draft.last ??= named?.last ?? null;
  const rest = emails.reduce((text, email) => text.replace(new RegExp(email.replace(/[.+]/g, '\\$&'), 'i'), ' '), subject);
  const address = addressIn(rest.replace(/\(?\d{3}\)?[\s.-]?\d{3}[\s.-]?\d{4}/g, ' '));
  if (address) draft.listing.address ??= address;
}

const named = (who: NameFound | null): Partial<Draft> => (who ? { first: who.first, last: who.last } : {});
/** Whoever an answer goes to is the lead, when it is not the service itself. */
function answersTo(mail: Mail, draft: Draft): void {
  const to = mail.replyTo[0];
  if (draft.emails.length || !to || !isTheirs(mail)) return;
  draft.emails.push(to.address.toLowerCase());
  if (!draft.first && !draft.last) Object.assign(draft, named(senderName(to.name)));
}

/** Whose name stands below what a desk sent: alone on a line, at the end or above a number. */
function signedName(own: string): NameFound | null {
  const lines = own
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
    .slice(-4);
  const at = lines.findIndex(
    (line, n) =>
      /^\p{Lu}[\p{L}'’-]+(?: \p{Lu}[\p{L}'’.-]*){1,2}$/u.test(line) &&
      (n === lines.length - 1 || phonesIn(lines[n + 1]!).length > 0) &&
      senderName(line),
  );
  return at < 0 ? null : personName(lines[at]!);
}

/** `her number is 360-555-0199`, in a letter of somebody who writes of themselves. */
const OF_ANOTHER =
  /\b(?:her|his|their|whose)\s+(?:\p{L}+\s+)?(?:number|phone|cell|mobile)\b[^\d+(\n]{0,12}[+(]?\d[\d\s().-]{8,}/giu;
/** Hungarians and Vietnamese write the family first, in their own names too. */
const FAMILY_FIRST =
  /(?<!\p{L})(?:vagyok|szeretn\p{L}*|üdvözlettel|tisztelt|köszönettel|tôi|cảm ơn|xin chào|trân trọng)(?!\p{L})/iu;
const inOrder = (who: NameFound | null, words: string): NameFound | null => {
  const [family, ...given] = `${who?.first ?? ''} ${who?.last ?? ''}`.trim().split(' ');
  return who && given.length && FAMILY_FIRST.test(words) ? { ...who, first: given.join(' '), last: family! } : who;
};

/** Takes what sentences say, for mails without labels. */
function fromProse(mail: Mail, body: string, now: Date | null): Draft {
  const own = withoutQuoted(body);
  const desk = isDesk(mail);
  const words = desk ? withoutService(beforeSignature(own), mail) : withoutDevice(beforeSignature(own, mail.from?.name));
  const domain = mail.from?.address.split('@')[1] ?? '';
  const reported = reportedName(`${mail.subject}\n${words}`);
  const theirs = (email: string): boolean =>
    !desk && reported !== null && email !== mail.from!.address.toLowerCase() && !DESK.test(email.split('@')[0]!);
  const others = emailsIn(words).filter((email) => !email.endsWith(`@${domain}`) || theirs(email));
  const draft = blank();
  if (others.length || desk) {
    const who = reported ?? introducedName(words) ?? (desk ? signedName(own) : null);
    Object.assign(draft, { first: who?.first ?? null, last: who?.last ?? null, partner: who?.partner ?? null, emails: others });
    addPhones(draft, phonesIn(words));
  } else {
    const who = inOrder(senderName(mail.from!.name), own) ?? introducedName(own);
    Object.assign(draft, { first: who?.first ?? null, last: who?.last ?? null, partner: who?.partner ?? null });
    const { address } = mail.from!;
    /* The address that a telephone has for text messages is its number. */
    const gateway = /^\+?\d{10,15}$/.test(address.split('@')[0]!) ? phonesIn(address.split('@')[0]!) : [];
    if (!gateway.length) draft.emails.push(address.toLowerCase());
    addPhones(draft, [...gateway, ...phonesIn(own.replace(OF_ANOTHER, ' '))]);
  }
  draft.partner ??= withWhom(words);
  draft.message = withoutFacts(words);
  if (desk) answersTo(mail, draft);
  if (desk && !draft.emails.length && !draft.phones.length) fromSubject(draft, mail.subject);
  draft.moveDate = movingDayIn(words, now);
  return draft;
}

const sourceOf = (mail: Mail, desk: boolean): string => {
  const name = serviceOf(mail.from?.name ?? '');
  return desk && name ? name : 'Direct e-mail';
};

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
  const mail = withCard({ ...whole, text: cut(whole.text, MOST_TEXT), html: whole.html.slice(0, MOST_TEXT * 5) });
  if (isBounce(mail)) return nothing('not-a-lead', 'A mail server says that a mail of ours did not arrive.', 'Mail server');
  if (isAutomatic(mail)) return nothing('not-a-lead', 'An automatic answer.', 'Automatic answer');
  if (mail.mails.length > 1) return nothing('needs-a-person', `It holds ${mail.mails.length} mails.`, sourceOf(mail, true));
  if (mail.mails.length === 1) return forwarded(mail, mail.mails[0]!, now);
  const body = bodyOf(mail);
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
  const readings: Reading[] = [
    ...(documents.length ? [{ entries: documents, prose: [] }] : []),
    ...(mail.html ? [readHtml(mail.html)] : []),
    ...(mail.text.trim() ? [readLines(plainText(mail.text))] : []),
  ];
  if (readings.some(isDigest) && !documents.length)
    return nothing('needs-a-person', 'It speaks of several people.', sourceOf(mail, true));
  const drafts = readings.map((reading) => fromEntries(reading, now));
  const best = drafts.reduce<Draft | null>((a, b) => (a && worth(a) >= worth(b) ? a : b), null);
  const labelled =
    best && (best.first || best.last) && (best.emails.length || best.phones.length || best.message) && worth(best) >= 4
      ? best
      : null;
  if (isBulk(mail) && !(labelled && labelled.emails.length + labelled.phones.length && best!.message))
    return nothing('not-a-lead', 'Sent to many at once.', sourceOf(mail, true));
  if (isRubbish(`${mail.subject}\n${labelled?.message ?? body}`))
    return nothing('not-a-lead', 'Its words are those of rubbish sent to everybody.', sourceOf(mail, true));
  if (isReply(mail) && !labelled) return reply(mail, body);
  if (!labelled && isDesk(mail) && isBusiness(mail) && !rolesSaid(body) && !addressIn(body))
    return nothing('not-a-lead', 'A service writes about a bill or an account.', sourceOf(mail, true));
  const machine = labelled ?? (best && worth(best) >= 3 && isDesk(mail) ? best : null);
  return machine ? fromForm(mail, body, machine, now) : fromLetter(mail, body, now);
}

function forwarded(outer: Mail, inner: Mail, now: Date | null): LeadMail {
  const read = readLeadMail(inner, now);
  const by = senderName(outer.from?.name ?? '') ? outer.from!.name : (outer.from?.address ?? 'somebody');
  return { ...read, kind: read.kind === 'reply' ? 'lead' : read.kind, source: `Forwarded by ${by}` };
}

function reply(mail: Mail, body: string): LeadMail {
  return {
    ...nothing('reply', 'It answers a mail.', 'Reply'),
    emails: mail.from ? [mail.from.address.toLowerCase()] : [],
    message: oneLine(withoutQuoted(body)),
  };
}

/** What the lead said in a conversation that was written down: `[10:02] Anton: I want to rent`. */
function theirTurns(body: string, first: string | null): string {
  const turns = [
    ...body.matchAll(
      /^[ \t]*(?:[[(]?\d{1,2}:\d{2}(?::\d{2})?(?: ?[ap]\.?m\.?)?[\])]?[ \t]*[-–]?[ \t]*)?(\p{L}[\p{L} ]{0,30}):[ \t]+(\S.*)$/gimu,
    ),
  ];
  const theirs = turns.filter(
    ([, who, words]) =>
      (/^(?:visitor|guest|customer|client|lead|prospect|user|caller|you)$/i.test(who!) || who === first) &&
      / /.test(words!) &&
      !personName(words!),
  );
  return theirs.length && theirs.length < turns.length ? theirs.map(([, , words]) => words).join('\n') : '';
}

/** What a lead says between the lines of a service: what stands in quotes, or speaks of itself, or asks. */
function ownWords(prose: string): string {
  const lines = readLines(prose).prose.map((line) => line.trim());
  const quoted = lines.filter((line) => /^["“„«].{8,}["”“»]$/u.test(line));
  const own = quoted.length
    ? quoted
    : lines.filter((line) => /\b(?:I|I['’]m|we|my)\b/.test(line) && !/\byou(?:['’]ve| have) (?:received|got)\b/i.test(line));
  return own.map(unquoted).join('\n');
}

/** The name that a subject gives and the body repeats: `Connect now: Zipporah Vane`. */
function nameTwice(subject: string, body: string): NameFound | null {
  const named = namesIn(subject).filter((part) => body.includes(part));
  return named.map(personName).find((one) => one?.first && one.last) ?? null;
}

/** A form, a portal, a document: what is labelled, completed by what the lead's own words say. */
function fromForm(mail: Mail, body: string, draft: Draft, now: Date | null): LeadMail {
  const prose = withoutService(beforeSignature(withoutQuoted(body)), mail);
  if (!draft.message) draft.message = theirTurns(body, draft.first);
  if (!draft.message) draft.message = isDesk(mail) ? ownWords(prose) : readLines(prose).prose.join('\n').trim();
  const said = draft.message;
  if (!draft.first && !draft.last) {
    const who = introducedName(said) ?? introducedName(body);
    if (who) Object.assign(draft, { first: who.first, last: who.last });
  }
  if (!draft.first && !draft.last && isDesk(mail))
    Object.assign(draft, named(reportedName(`${mail.subject}\n${prose}`) ?? nameTwice(mail.subject, body)));
  answersTo(mail, draft);
  const listed = Object.keys(draft.listing).length > 0;
  if (!draft.listing.id) {
    const id =
      listingIdIn(said) ??
      (listed
        ? null
        : (listingIdIn(serviceWords(prose, draft)) ?? (aboutProperty(mail.subject) ? listingIdIn(mail.subject) : null)));
    if (id) draft.listing.id = id;
  }
  const roles = draft.chosen.length
    ? unique(draft.chosen)
    : rolesSaid(`${mail.subject}\n${draft.cues.join('\n')}\n${said}\n${serviceWords(prose, draft)}`);
  if (!draft.listing.address && !listed) {
    const address =
      addressIn(serviceWords(prose, draft)) ?? addressIn(said) ?? (aboutProperty(mail.subject) ? addressIn(mail.subject) : null);
    if (address) draft.listing.address = address;
  }
  if (draft.listing.address && draft.listing.price === undefined) {
    const price = serviceWords(prose, draft)
      .split('\n')
      .find((line) => OF_HOME.test(line) || (/[$€£]\s?\d/.test(line) && addressIn(line) === draft.listing.address));
    if (price) draft.listing.price = sumsIn(price).find(({ sure }) => sure)?.value;
    if (draft.listing.price === undefined) delete draft.listing.price;
    if (/\/\s*mo/i.test(price ?? '')) draft.cues.push('monthly rent');
  }
  draft.wants = { ...wantsIn(said), ...draft.wants };
  draft.permissions = { ...permissionsIn(said), ...draft.permissions };
  draft.moveDate ??= movingDayIn(said, now);
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
export const readEntries = (entries: Entry[]): LeadMail => fromForm(NO_MAIL, '', fromEntries({ entries, prose: [] }, null), null);

/** What the service says around the lead's own words, line by line. */
const serviceWords = (prose: string, { message }: Draft): string =>
  readLines(prose)
    .prose.filter((line) => line.trim() && !message.includes(line.trim()))
    .join('\n');
const aboutProperty = (subject: string): boolean =>
  /\b(?:inquiry|about|home|house|listing|property|rental|showing|tour|viewing|available|interest\p{L}*|anfrage|objekt|inmueble|value|likes?)\b/iu.test(
    subject,
  );
const isTheirs = ({ from, replyTo }: Mail): boolean =>
  replyTo[0]!.address.split('@')[1]?.toLowerCase() !== from?.address.split('@')[1]?.toLowerCase();

/** A line that says what a home costs, and perhaps what it has: `$389,000 · 2 bed · 1 bath`. */
const OF_HOME = /^\s*[$€£]\s?\d[\d.,]*k?(?:\s*\/\s*mo(?:nth)?)?\s*(?:$|[·|,•]\s*\d)/iu;
/** A subject that is a street and its number. */
const isStreet = (subject: string): boolean =>
  /^(?:(?:re|about|regarding|question about)\s*:?\s*)?\d{1,5} (?:\p{Lu}[\p{L}'’]*\s+){1,3}(?:street|st|road|rd|lane|ln|avenue|ave|court|ct|drive|dr|way|place|pl|row|terrace|circle|loop|boulevard|blvd|crescent|close|square|quay|point|trail|parkway|hill|alley|walk)\b/iu.test(
    subject.trim(),
  );

/** A mail that a person wrote. */
function fromLetter(mail: Mail, body: string, now: Date | null): LeadMail {
  const draft = fromProse(mail, body, now);
  const card = fromCard(mail);
  if (card) {
    Object.assign(draft, { first: card.first ?? draft.first, last: card.last ?? draft.last });
    draft.emails = unique([...card.emails, ...draft.emails]);
    addPhones(draft, card.phones);
  }
  const words = draft.message;
  const roles = rolesSaid(`${mail.subject}\n${words}`);
  const id = listingIdIn(words) ?? (aboutProperty(mail.subject) ? listingIdIn(mail.subject) : null);
  if (!words && !isDesk(mail)) draft.message = mail.subject.trim();
  const address =
    addressIn(words) ?? (aboutProperty(mail.subject) || !words || isStreet(mail.subject) ? addressIn(mail.subject) : null);
  if (id) draft.listing.id = id;
  if (address) draft.listing.address = address;
  /* Where a service names the home, its price and rooms are those of the home. */
  const ofHome =
    address && isDesk(mail) ? words.split('\n').filter((line) => addressIn(line) === address || OF_HOME.test(line)) : [];
  const price = ofHome.flatMap(sumsIn).find(({ sure, monthly }) => sure && !monthly)?.value;
  if (price) draft.listing.price ??= price;
  draft.wants = wantsIn(ofHome.reduce((rest, line) => rest.replace(line, ' '), words));
  draft.permissions = permissionsIn(words);
  return answer(mail, draft, roles, sourceOf(mail, isDesk(mail)));
}

function answer(mail: Mail, draft: Draft, said: ContactRole[] | null, source: string): LeadMail {
  const roles = said ?? ['buyer'];
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
    ...(found && !said ? { roleAssumed: true } : {}),
    ...(draft.message ? { message: oneLine(draft.message) } : {}),
    ...(Object.values(draft.listing).some((one) => one !== undefined) ? { listing: draft.listing } : {}),
    ...(Object.keys(wants).length ? { wants } : {}),
    ...(Object.keys(draft.permissions).length ? { permissions: draft.permissions } : {}),
    ...(draft.moveDate ? { moveDate: draft.moveDate } : {}),
    source,
  };
}
