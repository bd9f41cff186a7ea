/** Takes what labelled values name, and whether they speak of several people. */
import { dayIn, monthIn } from './days';
import { addPhones, blank, oneLine, unique, unquoted, type Draft } from './draft';
import { beforeSignature } from './forwards';
import { plainText } from './page';
import type { Meaning } from './label-words';
import { channelOf, meaningOf, plainLabel } from './labels';
import { isHeader } from './lines';
import type { MailWants, MailSections } from './mail';
import { CAP } from './prose/patterns';
import { addressIn, budgetIn, permissionsIn, rolesChosen, roomsIn, wantsIn } from './prose';
import {
  chosenOf,
  emailsIn,
  listingIn,
  personName,
  phonesIn,
  phonesOf,
  plainValue,
  saidYes,
  sumsIn,
  type NameFound,
} from './values';

const NOT_SAID = (value: string): boolean => !plainValue(value.split('\n')[0]!) && !value.includes('\n');

/** Whether the labels speak of several people, one after another: a digest. */
export function isDigest({ entries }: MailSections): boolean {
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

const ROLL_ITEM = new RegExp(`^\\s*(?:\\d{1,3}[.)]|[-*•·–])\\s+(${CAP}(?:\\s+${CAP}){1,3})\\s*[,;:(–-].*@`, 'u');
/** Whether the lines of a list name people, each with an address of their own: the visitors of a day. */
export function isContactList(text: string): boolean {
  const people = text.split('\n').flatMap((line) => (ROLL_ITEM.test(line) ? emailsIn(line).slice(0, 1) : []));
  return unique(people).length > 1;
}

/** `Araminta Boyle says:` */
const SAYS = new RegExp(`^(${CAP}(?: ${CAP}){1,3}) (?:says|said|wrote|writes|asks|asked)\\b`, 'u');
/** Groups of a document: where one is of the lead, that of an owner is whose page it was. */
const OF_A_LEAD = /^(?:applicant|client|customer|person|lead|buyer|visitor|inquirer|prospect)$/i;
const OF_THE_PAGE = /^(?:owner|account|site)$/i;
const isOfThePage = (path: string[]): boolean =>
  path.some((group) => OF_THE_PAGE.test(group)) && !path.some((group) => OF_A_LEAD.test(group));
/** `From: Feb 15, 2027` is no sender. */
const SINCE = /^(?:from|von|de|da|van)$/;
const asksBoth = (label: string): boolean => /\bbuy/i.test(label) && /\bsell/i.test(label);
const BOTH = /^(?:both|beides?|ambos|las dos|les deux|entramb[ei]|allebei|begge|båda)\b/iu;

/** `(360) 555-0167 (ok to text)`. */
const TEXTED =
  /\b(?:ok|okay|fine|good) (?:to text|for texts?|by text)\b|\btext(?:s|ing)? (?:is |are )?(?:ok|okay|fine|welcome)\b/iu;
/** So is what speaks before its number: `wants to view 5 Skerry Path in Petrel Point`. */
const SAID_BEFORE = /^\D*(?<!\p{L})\p{Ll}{2,}\s\D*\d/u;
/** What is longer than an address is a sentence with one. */
const MOST_WORDS = 11;

/** Takes what labels name. */
export function fromEntries({ entries, prose }: MailSections, now: Date | null): Draft {
  const draft = blank();
  const messages: string[] = [];
  const has = (wanted: Meaning) => entries.some(({ label, path, value }) => meaningOf(label, path) === wanted && value.trim());
  const [hasFirst, hasLast] = [has('first'), has('last')];
  const hasLead = entries.some(
    ({ path = [] }) => path.some((group) => OF_A_LEAD.test(group)) && !path.some((group) => OF_THE_PAGE.test(group)),
  );
  /** `Ad` is a first name in Turkish, and an advertisement in English. */
  const familyToo = entries.some(({ label }) => /^soyad/.test(plainLabel(label)));
  let given: NameFound | null = null;
  /** The address may be where the lead lives: what is called the property is rather it. */
  let ownStreet = false;
  /** Towns of the home, where they stand apart from its street. */
  const towns: string[] = [];
  /** `van der`, where a form has a field of its own for it. */
  let between = '';
  const country = entries.find(({ label, path }) => meaningOf(label, path) === 'country')?.value;
  for (const { label, value: whole, path = [] } of entries) {
    const value = chosenOf(whole);
    if (!value.trim() || NOT_SAID(value) || (hasLead && isOfThePage(path))) continue;
    const meaning = familyToo && plainLabel(label) === 'ad' ? 'first' : meaningOf(label, path);
    switch (meaning) {
      case 'email':
        draft.emails.push(...emailsIn(plainValue(value) || value));
        addPhones(draft, phonesIn(plainValue(value).replace(/\S+@\S+/g, ' ')));
        /* Below it may stand a number; another address would be one that was smuggled in. */
        for (const line of value.split('\n').slice(1)) if (!line.includes('@')) takeUnlabelled(draft, line);
        break;
      case 'phone':
        if (!/\d{3}/.test(value) && /caller/i.test(label)) given ??= orderedByLabel(label, value) ?? personName(value);
        addPhones(draft, phonesOf(country ? `${plainText(value)} ${country}` : plainText(value)));
        if (TEXTED.test(value)) draft.permissions.text ??= 'granted';
        break;
      case 'first':
        draft.first ??= oneName(value);
        break;
      case 'last':
        draft.last ??= oneName(value);
        break;
      case 'between':
        between = oneLine(value);
        break;
      case 'country':
        break;
      case 'name':
        draft.chosen.push(...rolesChosen(label.replace(/\bname\b|['’]s\b|[:：]/giu, '')));
        if (rolesChosen(value).length) draft.chosen.push(...rolesChosen(value));
        else if (hasLast && !hasFirst) draft.first ??= oneName(value);
        else if (hasFirst && !hasLast && !value.trim().includes(' ')) draft.last ??= oneName(value);
        else if (SINCE.test(plainLabel(label)) && /\d/.test(value)) draft.moveDate ??= dayIn(value, now);
        else given ??= orderedByLabel(label, value) ?? personName(value);
        for (const line of value.split('\n').filter((one) => !isHeader(one))) {
          draft.emails.push(...emailsIn(plainValue(line)));
          addPhones(draft, phonesIn(plainText(plainValue(line))));
        }
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
        /* `Text: yes` is a permission, `Text: Still available?` a message. */
        if (channelOf(label) && saidYes(value) !== null)
          draft.permissions[channelOf(label)!] = saidYes(value) ? 'granted' : 'withdrawn';
        else messages.push(value);
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
        if (/\b(?:rent|miete|kaltmiete|loyer|alquiler|renta|affitto|huur|leie|husleje|hyra|kira)\b/i.test(plainLabel(label)))
          draft.cues.push('monthly rent');
        if (range.priceMin !== undefined && range.priceMax !== undefined) Object.assign(draft.wants, range);
        else draft.listing.price ??= sumsIn(value)[0]?.value;
        break;
      }
      case 'beds':
      case 'baths': {
        const rooms = roomsIn(value);
        const both = /\bbath/i.test(label) ? /(\d{1,2})\s*(?:\+\s*)?[/,|&]\s*(\d{1,2}(?:\.\d)?)/.exec(value) : null;
        const bare = /^\D{0,12}(\d{1,2}(?:[.,]\d)?)\s*(?:\+|(?:-|–|or|to|oder|bis|o|ou)\s*\d{1,2})?\D{0,12}$/.exec(
          value.trim(),
        )?.[1];
        if (Object.keys(rooms).length) Object.assign(draft.wants, rooms);
        else if (both && meaning === 'beds') Object.assign(draft.wants, { bedsMin: Number(both[1]), bathsMin: Number(both[2]) });
        else if (bare) draft.wants[meaning === 'beds' ? 'bedsMin' : 'bathsMin'] = Number(bare.replace(',', '.'));
        break;
      }
      case 'listing': {
        const listing = listingIn(value);
        const numbered =
          /(?:^| )(?:mls|id|ref|referenc\p{L}*|number|no|nr|numero|numer|nummer)(?: |$)/u.test(plainLabel(label)) &&
          /^#?\s*(\d{4,10}|\d{2,6}[-/]\d{2,6})$/.exec(value.trim());
        if (numbered) listing.id = numbered[1]!;
        if (listing.address && listing.address.split(' ').length > MOST_WORDS) listing.address = addressIn(value) ?? undefined;
        else if (listing.address && SAID_BEFORE.test(listing.address)) listing.address = addressIn(value) ?? listing.address;
        draft.cues.push(value);
        draft.listing = ownStreet ? { ...draft.listing, ...listing } : { ...listing, ...draft.listing };
        if (listing.address) ownStreet = false;
        break;
      }
      case 'address': {
        if (emailsIn(plainValue(value)).length) {
          draft.emails.push(...emailsIn(plainValue(value)));
          break;
        }
        const { address, price } = listingIn(value);
        if (address && !draft.listing.address)
          ownStreet = !/\b(?:property|home|house|listing|objekt|bien|inmueble)\b/i.test(label);
        draft.listing = { ...(address ? { address } : {}), ...(price ? { price } : {}), ...draft.listing };
        break;
      }
      case 'areas': {
        const home = addressIn(value);
        if (home) {
          draft.listing.address ??= listingIn(value).address ?? home;
          break;
        }
        /* The town of a home that a document names. */
        if (
          path.length &&
          entries.some((one) => meaningOf(one.label, one.path) === 'address' && one.path?.join() === path.join())
        ) {
          towns.push(oneLine(value));
          break;
        }
        draft.wants.areas = unique([
          ...(draft.wants.areas ?? []),
          ...plainValue(value)
            .split(/\s*[;,/、，]\s*|\s+(?:or|and|und|oder|o|y|of|en|ou|et|veya|ve|lub|или)\s+/)
            .filter((one) => /\p{L}/u.test(one) && !/\d|^[A-Z]{2}$/.test(one)),
        ]);
        break;
      }
      case 'move':
        draft.moveDate ??= dayIn(value, now) ?? monthIn(value, now);
        break;
      case 'purpose':
        draft.wants = { ...areasListed(value), ...wantsIn(value), ...draft.wants };
        draft.cues.push(value);
        draft.chosen.push(
          ...rolesChosen(value),
          ...(asksBoth(label) && BOTH.test(value.trim()) ? (['buyer', 'seller'] as const) : []),
        );
        break;
      case null:
        takeUnlabelled(draft, value);
        if (!value.includes('@')) draft.permissions = { ...permissionsIn(value), ...draft.permissions };
        break;
      case 'ignored': {
        if (plainLabel(label) === 'sender' && !value.includes('@')) given ??= personName(value);
        /* The number that was called, and the sign it stands on: `555-0199 (Sign at 8 Beacon Street)`. */
        const sign = /number|line/i.test(label) ? addressIn(value.replace(/\(?\d{3}\)?[ .-]\d{3}[ .-]\d{4}/g, '')) : null;
        if (sign) draft.listing.address ??= sign;
        if (/(?:^| )type$/.test(plainLabel(label))) {
          draft.chosen.push(...rolesChosen(value));
          draft.cues.push(value);
        }
        break;
      }
    }
  }
  if (given) {
    draft.first ??= given.first;
    draft.last ??= given.last;
    if (given.partner && !draft.partner) draft.partner = given.partner;
  }
  const street = draft.listing.address;
  if (street && towns.length && !street.toLowerCase().includes(towns[0]!.toLowerCase()))
    draft.listing.address = `${street}, ${towns[0]}`;
  if (between && draft.last) draft.last = `${between} ${draft.last}`;
  draft.message = messages.map((one) => unquoted(one)).join('\n\n');
  for (const line of beforeSignature(prose.join('\n')).split('\n'))
    if (/@/.test(line) ? !draft.emails.length : !draft.phones.length) takeUnlabelled(draft, line);
  return draft;
}

/** `Buy, $250,000–$325,000, Saltmarsh`: of what somebody wants, listed with figures, the names are those of places. */
function areasListed(value: string): Pick<MailWants, 'areas'> {
  const parts = value.split(/\s*[,;|·]\s+|\s*\n\s*/).map((part) => part.replace(/\s+only$/i, ''));
  const places = parts.filter((part) => /^\p{Lu}[\p{L}'’]+(?: \p{Lu}[\p{L}'’]+){0,2}$/u.test(part) && !rolesChosen(part).length);
  return parts.length > 2 && parts.some((part) => /\d/.test(part)) && places.length ? { areas: places } : {};
}

/** Where the label says that it asks for surnames, there are two of them; where it says that the family comes first, it does. */
function orderedByLabel(label: string, value: string): NameFound | null {
  const plain = plainLabel(label);
  const familyFirst = /^(?:ho (?:va )?ten|(?:teljes )?nev)$/.test(plain)
    ? /^(\p{Lu}\p{L}*)\s+(\p{Lu}.*)$/u.exec(value.trim())
    : null;
  if (familyFirst) return { first: familyFirst[2]!, last: familyFirst[1]!, partner: null };
  /* What a telephone company shows: `HERRERA MANUEL`. */
  const shown = /caller id|cnam/.test(plain) ? /^(\p{Lu}{2,}) (\p{Lu}{2,})$/u.exec(value.trim()) : null;
  if (shown) return personName(`${shown[1]}, ${shown[2]}`);
  const read = /apellidos/.test(plain) ? personName(value) : null;
  const words = [read?.first, read?.last].filter(Boolean).join(' ').split(' ');
  if (!read || read.partner || words.length < 3) return null;
  /* `de la Cruz Pérez`: what stands before the first of them is of it. */
  let at = words.length - 2;
  while (at > 1 && /^\p{Ll}/u.test(words[at - 1]!)) at -= 1;
  if (words.slice(at).filter((one) => /^\p{Lu}/u.test(one)).length < 2) return null;
  return { ...read, first: words.slice(0, at).join(' '), last: words.slice(at).join(' ') };
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
  if (/^[^\s@]+@\S+$/.test(text)) draft.emails.push(...emailsIn(text));
  else if (/^[+(\d][\d\s().\-/]{8,}(?:(?:x|ext\.?|ankn\.?|lokal|durchwahl|poste|int\.)\s*\d+)?$/i.test(text))
    addPhones(draft, phonesOf(text));
}
