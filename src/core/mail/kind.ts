/** What a mail is before anything is read from it: written by a machine about our mail, sent to many, an answer, or rubbish. */
import type { Mail } from './mail';

const header = (mail: Mail, name: string): string => mail.headers[name] ?? '';

/** A mail server's report that a mail did not arrive (RFC 3464). */
export const isBounce = (mail: Mail): boolean =>
  /report-type\s*=\s*"?delivery-status/i.test(header(mail, 'content-type')) ||
  /^(?:mailer-daemon|postmaster)@/i.test(mail.from?.address ?? '') ||
  (/^\s*<>\s*$/.test(header(mail, 'return-path')) && /undeliver|delivery (?:status|fail)|returned mail/i.test(mail.subject));

/** A calendar says that somebody comes, or does not (RFC 5546). */
const isCalendarAnswer = (mail: Mail): boolean =>
  /^(?:accepted|declined|tentative(?:ly accepted)?|canceled|cancelled|zugesagt|abgesagt|aceptad[oa]|rechazad[oa]|accepté|refusé|accettato|geaccepteerd)\s*:/iu.test(
    mail.subject,
  ) &&
  (mail.attached.some(({ type }) => /calendar/.test(type)) ||
    /\b(?:invitation|invite|einladung|invitación|invito|uitnodiging)\b/iu.test(mail.text));

/** A desk's receipt for what we wrote to it. */
const RECEIVED =
  /\b(?:we(?: have|['’]ve)? received your|your (?:request|message|ticket|inquiry|e-?mail) (?:has been|was) received|thank you for (?:contacting|writing))\b/iu;

/** An automatic answer (RFC 3834, and what older machines say instead). */
export const isAutomatic = (mail: Mail): boolean =>
  /^auto-(?:replied|notified)/i.test(header(mail, 'auto-submitted')) ||
  /^auto[_-]reply$/i.test(header(mail, 'precedence')) ||
  Boolean(header(mail, 'x-autoreply') || header(mail, 'x-autorespond')) ||
  /^(?:auto(?:matic|matische|mática|matique)? ?-?(?:reply|response|antwort)|out of (?:the )?office|fuera de (?:la )?oficina|fora do escritório|fuori (?:sede|ufficio)|absence du bureau|absent du bureau|afwezig\p{L}*|frånvaro\p{L}*|fravær\p{L}*|automatische antwort|abwesenheit\p{L}*|respuesta automática|réponse automatique|risposta automatica|automatisch antwoord|automatiskt svar|autosvar)\s*(?:[:：]|$)/iu.test(
    mail.subject,
  ) ||
  (/^auto-generated/i.test(header(mail, 'auto-submitted')) && RECEIVED.test(mail.subject)) ||
  isCalendarAnswer(mail) ||
  (Boolean(header(mail, 'in-reply-to')) && /^(?:away|absence|on vacation|on leave|abwesend)\b/iu.test(mail.subject));

/** Sent to many at once: a newsletter, a list. */
export const isBulk = (mail: Mail): boolean =>
  Boolean(header(mail, 'list-id') || header(mail, 'list-unsubscribe')) ||
  /^(?:bulk|list|junk)$/i.test(header(mail, 'precedence'));

/** An answer to a mail: it names what it answers, or its subject says so. */
export const isReply = (mail: Mail): boolean =>
  Boolean(header(mail, 'in-reply-to')) ||
  (/^\s*(?:re|aw|sv|antw|rif|odp)\s*:/i.test(mail.subject) && Boolean(header(mail, 'references')));

/** Made by a machine in whatever way: never an answer of a person, and never answered. */
export const isMachineMade = (mail: Mail): boolean =>
  isAutomatic(mail) || isBounce(mail) || isBulk(mail) || !/^(?:no)?$/i.test(header(mail, 'auto-submitted').trim());

const RUBBISH: [RegExp, number][] = [
  [/\bback ?links?\b/iu, 3],
  [/\b(?:seo|search engine (?:ranking|optimi[sz]ation))\b/iu, 2],
  [
    /\bpage (?:one|1)\b|\bfirst page (?:results?|of)\b|\btop of (?:search|the results)\b|\brankings?\b|\brank (?:better|higher|#?1)\b/iu,
    2,
  ],
  [/\b(?:noticed|came across|looking at|visited) your (?:web ?)?site\b/iu, 2],
  [/\b(?:we|i) (?:offer|provide|specialize in)\b.{0,40}\b(?:services?|solutions?|packages?)\b/iu, 1],
  [/\bcasino|\bbetting\b|\bslots?\b bonus/iu, 3],
  [/\b(?:viagra|cialis|pharmacy|weight loss)\b/iu, 3],
  [/\bcheap (?:watches|replica|software)|\breplica\b/iu, 3],
  [/\b(?:crypto|bitcoin|forex) (?:invest|trading|profit)/iu, 3],
  [/\b(?:guarantee|guaranteed)\b/iu, 1],
  [/\bonly \$\d+(?:\.\d\d)?\s*!+|!!!/iu, 1],
  [/\bdear (?:sir|madam|webmaster|website owner|business owner)/iu, 1],
  [
    /\bwe (?:visited|found|reviewed|checked|looked at|audited) (?:your (?:web)?site|\S+\.\p{L}{2,}) ?.{0,40}\b(?:errors?|issues|problems)\b/iu,
    3,
  ],
  [/\b(?:web ?site|web) (?:design|traffic|development) (?:services?|company)|increase your (?:traffic|sales)/iu, 2],
  [/\b(?:inheritance|lottery|million dollars?) .{0,60}\b(?:transfer|claim|beneficiary)/iu, 3],
  [/\b(?:boost|skyrocket|supercharge|double) your (?:\p{L}+ )?(?:listings?|leads|business|sales|visibility|commissions?)\b/iu, 2],
  [/\b\d{1,2} ?% (?:off|discount)\b/iu, 2],
  [/\bverify your (?:account|mailbox|identity|details)\b/iu, 2],
  [/\bwill be (?:suspended|deactivated|closed|deleted|blocked)\b/iu, 2],
  [/\bclick (?:here|below|the link)\b/iu, 1],
  [/\bgift cards?\b/iu, 2],
  [/^\s*unsubscribe\s*$/imu, 1],
  [/\bfree (?:\p{L}+ )?(?:audit|trial|demo|webinar)\b/iu, 2],
  [/\bno credit check\b|\bon autopilot\b/iu, 2],
  [/\b\d+(?: ?[-–]\d+)? (?:\p{L}+ )?(?:leads|appointments|deals) (?:every|a|per) (?:month|week|day)\b/iu, 2],
  [/\b(?:working capital|unsecured loans?|business loans?|merchant cash)\b/iu, 2],
  [/\b(?:verified|exclusive|qualified|fresh|guaranteed) (?:\p{L}+ ){0,4}leads\b|\bbuy leads\b/iu, 2],
  [/\blimited[- ]time\b|\btake (?:our|this) \S+ (?:minute )?survey\b|\bapply now\b/iu, 1],
  [/\b(?:we|i) help (?:\p{L}+ )?(?:realtors|agents|brokers|agencies|brokerages)\b/iu, 2],
  [/>>>|<<</u, 1],
];
/** Rubbish by its words alone, whoever seems to have sent it. */
export function isRubbish(text: string): boolean {
  const score = RUBBISH.reduce((sum, [pattern, points]) => sum + (pattern.test(text) ? points : 0), 0);
  return score >= 4;
}

const BUSINESS =
  /(?<!\p{L})(?:invoices?|receipts?|payment (?:received|due|failed|reminder|confirmation)|billing statement|your (?:statement|order|subscription|shipment|renewal|trial|plan)|order (?:confirmation|shipped|#?\d+)|(?:reset|change|changed|forgot)\b.{0,15}password|password\b.{0,15}(?:reset|changed)|verification code|(?:campaign|account|weekly|monthly|daily) (?:performance|report|summary|digest|statistics)|security (?:alert|code)|sign-?in (?:attempt|code)|new (?:login|sign-?in)|rechnung|zahlungs\p{L}+|passwort|factura|recibo|contraseña|facture|mot de passe|fattura|factuur|wachtwoord)(?!\p{L})/iu;
const BILL =
  /\b(?:your (?:\p{L}+ ){0,2}bill\b|(?:bill|invoice|statement) (?:\S+ )?(?:is )?(?:ready|due|available|attached|enclosed)|amount due|wire instructions|password|verification code)/iu;
/** A bill or a password and nothing else, whatever address it names. */
export const isBill = (mail: Mail): boolean => BILL.test(mail.subject);
/** A bill, a receipt, a password: what services write to those who use them. By the subject alone, for leads speak of anything. */
export const isBusiness = (mail: Mail): boolean => BUSINESS.test(mail.subject);
