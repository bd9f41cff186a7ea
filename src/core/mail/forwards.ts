/** Whose words are whose: what was forwarded, quoted or signed, and the lines of the service that delivered the mail. */
import { textPattern } from '../shared';
import { isClosing } from './lines';
import type { Mail, Mailbox } from './mail';
import { isFirm } from './values';

/** What the lines of a header are called that stands inside of a text, in the languages of mail programs. */
const NAMES = {
  from: 'from|von|de|da|van|fra|från|od|от|від|lähettäjä|feladó|kimden|gönderen|de la|από|差出人|送信者|发件人|寄件者|보낸 사람|من|מאת|จาก|từ|dari',
  subject:
    'subject|betreff|asunto|objet|oggetto|onderwerp|emne|ämne|assunto|temat|předmět|predmet|тема|aihe|tárgy|konu|subiect|θέμα|件名|主题|主旨|제목|الموضوع|נושא|เรื่อง|chủ đề|perihal',
  other:
    'date|sent|datum|gesendet|fecha|enviad[oa](?: el)?|data|envoyé|inviato|verzonden|sendt|dato|skickat|wysłano|odesláno|дата|отправлено|päivämäärä|lähetetty|dátum|küldve|tarih|gönderildi|ημερομηνία|日付|送信日時|日時|日期|发送时间|날짜|보낸 날짜|التاريخ|תאריך|วันที่|ngày|tanggal|to|an|para|a|à|aan|til|till|do|komu|кому|vastaanottaja|címzett|kime|alıcı|către|προς|宛先|收件人|받는 사람|إلى|אל|ถึง|đến|kepada|cc|kopie|copia|kopia|копия|reply-to|antwort an',
};
const FIELD = new RegExp(`^\\s*\\*?(${NAMES.from}|${NAMES.subject}|${NAMES.other})\\s*[:：]\\*?(.*)$`, 'iu');
const FROM = new RegExp(`^(?:${NAMES.from})$`, 'iu');
const SUBJECT = new RegExp(`^(?:${NAMES.subject})$`, 'iu');

/** Words between strokes, in whatever language, over lines of which one says from whom. */
const STROKES = /^[ \t>]*-{2,}\s*\p{L}[\p{L}' ]{3,50}\s*-{2,}[ \t]*$/gmu;
const BEGINS =
  /^[ \t]*(?:begin forwarded message|anfang der weitergeleiteten nachricht|début du message (?:réexpédié|transféré)|inicio del mensaje reenviado|inizio messaggio inoltrato|begin doorgestuurd bericht)\s*:[ \t]*$/imu;
/** Where the mark of a forwarded mail stands in a text, and how long it is. */
function markIn(text: string): { index: number; length: number } | null {
  for (const { 0: mark, index } of text.matchAll(STROKES)) {
    const below = text
      .slice(index + mark.length)
      .split('\n')
      .map((line) => line.replace(/^> ?/, ''))
      .filter((line) => line.trim())
      .slice(0, 3);
    if (below.some((line) => FROM.test(FIELD.exec(line)?.[1] ?? ''))) return { index, length: mark.length };
  }
  const begins = BEGINS.exec(text);
  return begins && { index: begins.index, length: begins[0].length };
}

/** `Oda Brandvold <oda@x.example>`, `oda@x.example`. */
export function mailboxOf(text: string): Mailbox | null {
  const angled = /^"?([^"<]*)(?:"\s*)?<\s*(?:mailto:)?([^<>\s@]+@[^<>\s]+)\s*>/.exec(text.trim());
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
  const mark = markIn(text);
  if (mark) {
    /* Some programs quote what they forward, its header too. */
    const behind = text.slice(mark.index + mark.length);
    if (/^\s*> ?\S/.test(behind)) text = text.slice(0, mark.index + mark.length) + behind.replace(/^> ?/gm, '');
  }
  const lines = text.split('\n');
  let at: number;
  if (mark) at = text.slice(0, mark.index + mark.length).split('\n').length;
  else if (/^\s*(?:fwd?|wg|rv|tr|i|fs|pd|vs|vb|vl|enc|转发|轉寄|転送|전달)\s*[:：]/i.test(subject))
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
  const written: string[] = [];
  for (const [at, line] of lines.entries()) {
    if (/^\s*>/.test(line)) continue;
    if (WROTE.test(line.trim()) || WROTE.test(`${line.trim()} ${(lines[at + 1] ?? '').trim()}`)) break;
    written.push(line);
  }
  return written.join('\n').trim();
}

/** A line drawn below a heading, where no sentence ends. */
const isUnderline = (line: string, above: string): boolean =>
  /^\s*[=~*_-]{4,}\s*$/.test(line) && /[^.!?,\s]\s*$/.test(above) && above.trim().length <= 60;

/** A body as far as its closing, or as the line with the writer's name alone: what stands below is their own card. */
export function beforeSignature(text: string, writer = ''): string {
  const lines = text.split('\n');
  const name = writer.trim().toLowerCase();
  /* Their name alone, or with their office behind it: `Ephraim Cole, Harbor Loans`. */
  const signs = (line: string): boolean => {
    const plain = line.trim().toLowerCase();
    return name.includes(' ')
      ? plain === name || (/^\s*[,|–—-]\s/.test(`${plain.slice(name.length)} `) && plain.startsWith(name))
      : name !== '' && plain === name;
  };
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
const VIA = /(?:^|\s|\()via\s+([^()\s][^()]*)\)?$/iu;
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

/** A text without the card that a desk sets below it: a firm's name and its number in short lines. */
function withoutOfficeCard(text: string): string {
  const paragraphs = text.split(/\n\s*\n/);
  const lines = paragraphs.at(-1)!.trim().split('\n');
  const card =
    lines.every((line) => line.length < 50 && !/[.!?]$/.test(line)) &&
    isFirm(lines[0]!) &&
    /\d{3}[ .-]\d{4}/.test(paragraphs.at(-1)!);
  return paragraphs.length > 1 && card ? paragraphs.slice(0, -1).join('\n\n') : text;
}

/** A body without the lines in which the service that sent it speaks of itself: those that name it, and its card. */
export function withoutService(text: string, mail: Mail): string {
  const name = serviceOf(mail.from?.name ?? '').toLowerCase();
  /* `The Saltmarsh Herald classifieds` calls itself `The Saltmarsh Herald` below. */
  const short = name.split(' ').length > 2 ? name.split(' ').slice(0, -1).join(' ') : name;
  const named = textPattern('u')`(?<![\p{L}\p{N}])${short}(?![\p{L}\p{N}])`;
  const domain = (mail.from?.address.split('@')[1] ?? '').toLowerCase();
  return withoutOfficeCard(withoutDevice(text))
    .split('\n')
    .filter((line) => {
      const plain = line.toLowerCase();
      return !(short.length > 5 && named.test(plain)) && !(domain && plain.includes(domain));
    })
    .join('\n')
    .trim();
}
