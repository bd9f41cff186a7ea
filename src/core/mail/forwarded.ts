/** Whose words are whose: what was forwarded, quoted or signed, and the lines of the service that delivered the mail. */
import { isClosing } from './lines';
import type { Mail, Mailbox } from './mail';

const FORWARDED =
  /^[ \t]*(?:-{2,}\s*(?:forwarded message|original message|weitergeleitete nachricht|ursprüngliche nachricht|mensaje reenviado|mensaje original|message transféré|message d'origine|messaggio inoltrato|doorgestuurd bericht|videresendt melding)\s*-{2,}|begin forwarded message:|anfang der weitergeleiteten nachricht:)[ \t]*$/imu;
const FIELD =
  /^\s*\*?(from|von|de|da|van|fra|från|date|sent|datum|gesendet|fecha|enviado|data|envoyé|subject|betreff|asunto|objet|oggetto|onderwerp|emne|to|an|para|a|à|aan|til|cc)\s*:\*?\s*(.*)$/iu;
const FROM = /^(?:from|von|de|da|van|fra|från)$/i;
const SUBJECT = /^(?:subject|betreff|asunto|objet|oggetto|onderwerp|emne)$/i;

/** `Oda Brandvold <oda@x.example>`, `oda@x.example`. */
export function mailboxOf(text: string): Mailbox | null {
  const angled = /^\s*"?([^"<]*?)"?\s*<\s*(?:mailto:)?([^<>\s]+@[^<>\s]+)\s*>/.exec(text);
  if (angled) return { name: angled[1]!.trim(), address: angled[2]!.toLowerCase() };
  const bare = /(?:mailto:)?([^\s<>[\]():]{1,64}@[^\s<>[\]()]{1,253})/.exec(text);
  if (!bare) return null;
  return {
    name: text
      .slice(0, bare.index)
      .replace(/[\s[(<"]+$/, '')
      .trim(),
    address: bare[1]!.toLowerCase(),
  };
}

/** The mail that somebody forwarded inside of theirs; null when there is none. */
export function forwardedIn(text: string, subject: string): { from: Mailbox; subject: string; text: string } | null {
  const mark = FORWARDED.exec(text);
  if (mark) {
    /* Some programs quote what they forward, its header too. */
    const behind = text.slice(mark.index + mark[0].length);
    if (/^\s*> ?\S/.test(behind)) text = text.slice(0, mark.index + mark[0].length) + behind.replace(/^> ?/gm, '');
  }
  const lines = text.split('\n');
  let at: number;
  if (mark) at = text.slice(0, mark.index + mark[0].length).split('\n').length;
  else if (/^\s*(?:fwd?|wg|rv|tr|i|fs)\s*:/i.test(subject))
    at = lines.findIndex(
      (line, n) => FROM.test(FIELD.exec(line)?.[1] ?? '') && lines.slice(n + 1, n + 5).some((next) => FIELD.test(next)),
    );
  else return null;
  if (at < 0) return null;
  while (at < lines.length && !lines[at]!.trim()) at += 1;
  let from: Mailbox | null = null;
  let about = subject;
  for (; at < lines.length && lines[at]!.trim(); at += 1) {
    const field = FIELD.exec(lines[at]!);
    if (!field) {
      if (/^\s+/.test(lines[at]!)) continue;
      break;
    }
    if (FROM.test(field[1]!)) from = mailboxOf(field[2]!);
    else if (SUBJECT.test(field[1]!)) about = field[2]!.trim();
  }
  return from && { from, subject: about, text: lines.slice(at).join('\n').trim() };
}

const WROTE = /^(?:on|am|el|le|il|op|den)\b.{0,160}(?:wrote|schrieb.{0,80}|escribió|a écrit|ha scritto|schreef|skrev)\s*:\s*$/iu;

/** A body without what it quotes. */
export function withoutQuoted(text: string): string {
  const lines = text.split('\n');
  const kept: string[] = [];
  for (const [at, line] of lines.entries()) {
    if (/^\s*>/.test(line)) continue;
    if (WROTE.test(line.trim()) || WROTE.test(`${line.trim()} ${(lines[at + 1] ?? '').trim()}`)) break;
    kept.push(line);
  }
  return kept.join('\n').trim();
}

/** A line drawn below a heading, where no sentence ends. */
const isUnderline = (line: string, above: string): boolean =>
  /^\s*[=~*_-]{4,}\s*$/.test(line) && /[^.!?,\s]\s*$/.test(above) && above.trim().length <= 60;

/** A body as far as its closing, or as the line with the writer's name alone: what stands below is their own card. */
export function beforeSignature(text: string, writer = ''): string {
  const lines = text.split('\n');
  const signs = (line: string): boolean => writer !== '' && line.trim().toLowerCase() === writer.trim().toLowerCase();
  const at = lines.findIndex((line, n) => n > 0 && ((isClosing(line) && !isUnderline(line, lines[n - 1]!)) || signs(line)));
  return (at > 0 ? lines.slice(0, at) : lines).join('\n').trim();
}

const NOTICE =
  /^\s*\*{0,2}(?:confidential(?:ity)?(?: notice)?\b|(?:legal )?disclaimer\b|privacy notice\b|this (?:e-?mail|message)(?: and any (?:attachments?|files))?[^.]{0,40} (?:is|are|may|contains?) [^.]{0,40}(?:confidential|privileged)|vertraulichkeitshinweis\b|diese e-?mail enthält vertrauliche|aviso (?:de confidencialidad|legal)\b|avis de confidentialité|informativa (?:sulla )?privacy)/iu;
/** A body without the paragraph in which somebody's office speaks of the law. */
export const withoutNotice = (text: string): string =>
  text
    .split(/\n\s*\n/)
    .filter((paragraph) => !NOTICE.test(paragraph))
    .join('\n\n');

const SENT_FROM =
  /^\s*(?:sent from my|sent via my|von meinem .{0,30}gesendet|enviado desde mi|enviado do meu|envoyé de(?:puis)? mon|inviato da|verzonden vanaf|skickat från)\b/iu;

/** A service that passes a mail on in somebody's name: `Priya Anand (via HomeQuay)`. */
const VIA = /(?:^|\s|\()via\s+([^()]+?)\s*\)?$/iu;
export const isPassedOn = (sender: string): boolean => VIA.test(sender);
/** What a sender that is a service calls itself. */
export const serviceOf = (sender: string): string => VIA.exec(sender)?.[1] ?? sender.split(/[,|(]/)[0]!.trim();

/** A body without the line in which a telephone speaks of itself. */
export const withoutDevice = (text: string): string =>
  text
    .split('\n')
    .filter((line) => !SENT_FROM.test(line))
    .join('\n')
    .trim();

/** A body without the lines in which the service that sent it speaks of itself: those that name it. */
export function withoutService(text: string, mail: Mail): string {
  const name = serviceOf(mail.from?.name ?? '').toLowerCase();
  /* `The Saltmarsh Herald classifieds` calls itself `The Saltmarsh Herald` below. */
  const short = name.split(' ').length > 2 ? name.split(' ').slice(0, -1).join(' ') : name;
  const named = new RegExp(`(?<![\\p{L}\\p{N}])${short.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}\\p{N}])`, 'u');
  const domain = (mail.from?.address.split('@')[1] ?? '').toLowerCase();
  return withoutDevice(text)
    .split('\n')
    .filter((line) => {
      const plain = line.toLowerCase();
      return !(short.length > 5 && named.test(plain)) && !(domain && plain.includes(domain));
    })
    .join('\n')
    .trim();
}
