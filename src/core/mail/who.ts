/** Names where no label says that they are some: in a subject, below a letter, in the order of another language. */
import { textPattern } from '../shared';
import { addPhones, type Draft } from './draft';
import { addressIn } from './prose';
import { emailsIn, personName, phonesIn, senderName, type NameFound } from './values';

const NOT_A_NAME =
  /(?<!\p{L})(?:new|leads?|inquir\p{L}*|enquir\p{L}*|request|message|contact|form|buyers?|sellers?|website|showing|tour|nueva?|neue?|anfrage|solicitud|demande)(?!\p{L})/iu;
/** The parts of a subject that can be a name. */
const namesIn = (subject: string): string[] =>
  subject
    .split(/\s*[,;|:<>]\s*|\s+[-–—]\s+/)
    .filter((part) => /^\p{Lu}\S*(?:\s+\S+){1,3}$/u.test(part) && !/\d/.test(part) && !NOT_A_NAME.test(part));
/** Takes what the subject says, for mails that say no more: `New lead: Maren Holt, (564) 555-0177 - 22 Gull Lane`. */
export function fromSubject(draft: Draft, subject: string): void {
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
  const rest = emails.reduce((text, email) => text.replace(textPattern('i')`${email}`, () => ' '), subject);
  const address = addressIn(rest.replace(/\(?\d{3}\)?[\s.-]?\d{3}[\s.-]?\d{4}/g, ' '));
  if (address) draft.listing.address ??= address;
}

/** The name that a subject gives and the body repeats: `Connect now: Zipporah Vane`. */
export function nameTwice(subject: string, body: string): NameFound | null {
  const named = namesIn(subject).filter((part) => body.includes(part));
  return named.map(personName).find((one) => one?.first && one.last) ?? null;
}

/** Whose name stands below what a desk sent: alone on a line, at the end or above a number. */
export function signedName(own: string): NameFound | null {
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

/** What the signature says more of a name than the sender: `Octavia`, and below `Octavia Lindqvist` or `Octavia & Rolf Lindqvist`. */
export function completed(who: NameFound | null, own: string): NameFound | null {
  if (!who?.first) return who;
  const lines = own.split('\n').map((line) => line.trim().replace(/[,.]$/, ''));
  const two = lines
    .filter(
      (line) =>
        line.startsWith(`${who.first} `) &&
        /^\p{Lu}[\p{L}'’-]+ (?:&|and|und|y|et) \p{Lu}[\p{L}'’-]+(?: \p{Lu}[\p{L}'’-]+)?$/u.test(line),
    )
    .map(personName)
    .at(-1);
  if (two?.partner && (!who.last || two.last === who.last)) return two;
  const signed = lines
    .filter((line) => line.startsWith(`${who.first} `) && /^\p{Lu}[\p{L}'’-]+(?: \p{Lu}[\p{L}'’.-]*){1,3}$/u.test(line))
    .at(-1);
  /* `thank you mina sorensen`, on the last line. */
  const [, small] =
    textPattern('iu')`(?:thanks?(?: you)?|regards|best|cheers)[,!.]?\s+(${who.first}\s+\p{L}{2,})$`.exec(
      lines.filter(Boolean).at(-1) ?? '',
    ) ?? [];
  const full = !who.last && (signed ?? small) ? senderName((signed ?? small)!) : null;
  return full?.last ? { ...full, partner: who.partner } : who;
}

/** Hungarians and Vietnamese write the family first, in their own names too. */
const FAMILY_FIRST =
  /(?<!\p{L})(?:vagyok|szeretn\p{L}*|üdvözlettel|tisztelt|köszönettel|tôi|cảm ơn|xin chào|trân trọng)(?!\p{L})/iu;
/** A name as its parts, where the words around it are of such a language. */
export const inOrder = (who: NameFound | null, words: string): NameFound | null => {
  const [family, ...given] = `${who?.first ?? ''} ${who?.last ?? ''}`.trim().split(' ');
  return who && given.length && FAMILY_FIRST.test(words) ? { ...who, first: given.join(' '), last: family! } : who;
};
