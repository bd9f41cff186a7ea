/** Takes what sentences say, for mails without labels: of whoever wrote them, or of whom they are about. */
import { movingDayIn } from './days';
import { addPhones, blank, named, type Draft } from './draft';
import { beforeSignature, withoutDevice, withoutNotice, withoutQuoted, withoutService } from './forwards';
import type { Mail } from './mail';
import { withoutFacts } from './own-words';
import { introducedName, onBehalfOf, reportedName, withWhom } from './prose';
import { answersTo, DESK, isServiceSender, isOnlyCalledOddly } from './sender';
import { emailsIn, phonesIn, senderName } from './values';
import { completed, fromSubject, inOrder, signedName } from './who';

/** `her number is 360-555-0199`, in a letter of somebody who writes of themselves. */
const OF_ANOTHER =
  /\b(?:her|his|their|whose)\s+(?:\p{L}+\s+)?(?:number|phone|cell|mobile)\b[^\d+(\n]{0,12}[+(]?\d[\d\s().-]{8,}/giu;

/** How whoever wrote a mail signs it, without what their sender says of their office. */
function writerOf({ from }: Mail): string {
  const who = senderName(from?.name ?? '');
  return [who?.first, who?.last].filter(Boolean).join(' ') || (from?.name ?? '');
}

/** The line that says whom it went to. */
const TO = /^[ \t]*(?:to|an|para|à|til)[ \t]*:.*$/gimu;

/** Takes what sentences say, for mails without labels. */
export function fromProse(mail: Mail, body: string, now: Date | null): Draft {
  const own = withoutNotice(withoutQuoted(body));
  const isService = isServiceSender(mail);
  const words =
    isService && !isOnlyCalledOddly(mail)
      ? withoutService(beforeSignature(own), mail)
      : withoutDevice(beforeSignature(own, writerOf(mail)));
  const domain = mail.from?.address.split('@')[1] ?? '';
  const reported = reportedName(`${mail.subject}\n${words}`);
  const theirs = (email: string): boolean =>
    !isService && reported !== null && email !== mail.from!.address.toLowerCase() && !DESK.test(email.split('@')[0]!);
  const others = emailsIn(words).filter((email) => !email.endsWith(`@${domain}`) || theirs(email));
  const draft = blank();
  const behalf = onBehalfOf(words);
  if (others.length || isService || behalf) {
    const who = reported ?? introducedName(words) ?? (isService ? signedName(own) : null);
    /* A letter of somebody who speaks of themselves, and names another address to write to. */
    const ours =
      behalf && !isService && !others.length
        ? mail.from
        : !who && !isService && /\b(?:I|we|my|our)\b/.test(words)
          ? mail.from
          : null;
    if (ours) draft.emails.push(ours.address.toLowerCase());
    Object.assign(draft, {
      first: who?.first ?? null,
      last: who?.last ?? null,
      partner: who?.partner ?? null,
      emails: [...draft.emails, ...others],
    });
    if (ours && !behalf) Object.assign(draft, named(senderName(ours.name)));
    addPhones(draft, phonesIn(words.replace(TO, '')));
  } else {
    const who = completed(inOrder(senderName(mail.from!.name), own), own) ?? introducedName(own);
    Object.assign(draft, { first: who?.first ?? null, last: who?.last ?? null, partner: who?.partner ?? null });
    const { address } = mail.from!;
    /* The address that a telephone has for text messages is its number. */
    const gateway = /^\+?\d{10,15}$/.test(address.split('@')[0]!) ? phonesIn(address.split('@')[0]!) : [];
    if (!gateway.length) draft.emails.push(address.toLowerCase());
    addPhones(draft, [...gateway, ...phonesIn(own.replace(OF_ANOTHER, ' '))]);
  }
  draft.partner ??= withWhom(words);
  draft.message = withoutFacts(words);
  if (isService) answersTo(mail, draft);
  /* A firm's address that is its writer's: `nora@…`, and Nora signed. */
  const local = mail.from?.address.split('@')[0]?.toLowerCase() ?? '';
  if (
    isService &&
    !draft.emails.length &&
    local.length > 2 &&
    [draft.first, draft.last].some((name) => name?.toLowerCase() === local)
  )
    draft.emails.push(mail.from!.address.toLowerCase());
  /* A person whose sender is called by the matter and not by a name. */
  if (isService && !draft.emails.length && isOnlyCalledOddly(mail) && /\b(?:I|I['’]m|my|we)\b/.test(words))
    draft.emails.push(mail.from!.address.toLowerCase());
  if (isService && !draft.emails.length && !draft.phones.length) fromSubject(draft, mail.subject);
  draft.moveDate = movingDayIn(words, now);
  return draft;
}
