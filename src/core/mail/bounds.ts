/**
 * How much of a mail is read: no lead needs more, and whoever sends more cannot make the reading longer. What is beyond is not lost, it
 * stands in the mail; expressions meet no line and no run of blanks longer than these.
 */
import type { Mail, Mailbox } from './mail';

/** Signs of a text that are read, of one line of it, and its lines. */
const MOST_TEXT = 100_000;
const MOST_LINE = 2_000;
const MOST_LINES = 2_000;
const MOST_HTML = 500_000;
/** Tags of a page; the longest newsletter has a fifth of them. */
const MOST_TAGS = 25_000;
const MOST_NAME = 200;
const MOST_SUBJECT = 500;
const MOST_HEADER = 2_000;
const MOST_HEADERS = 200;
const MOST_ATTACHED = 20;
const MOST_MAILS = 5;
/** Blanks beside each other that still say something: columns of a text. */
const BLANKS = /[^\S\n]{81,}/gu;
const EMPTY_LINES = /\n(?:[^\S\n]{0,80}\n){4,}/gu;

/** A text as far as it is read. */
export const boundedText = (text: string, most = MOST_TEXT): string =>
  text
    .slice(0, most)
    .replace(/\r\n?/g, '\n')
    .replace(BLANKS, (run) => run.slice(0, 80))
    .replace(EMPTY_LINES, '\n\n\n\n')
    .split('\n', MOST_LINES)
    .map((line) => line.slice(0, MOST_LINE))
    .join('\n');

/** A page as far as it is read: so many signs, so many tags. */
function boundedHtml(html: string): string {
  let end = -1;
  for (let tags = 0; tags <= MOST_TAGS; tags++) {
    end = html.indexOf('<', end + 1);
    if (end < 0) return html.slice(0, MOST_HTML);
  }
  return html.slice(0, Math.min(end, MOST_HTML));
}

const boundedBox = ({ name, address }: Mailbox): Mailbox => ({
  name: name.slice(0, MOST_NAME),
  address: address.slice(0, 320),
});

/** A mail as far as it is read. */
export function boundedMail(mail: Mail, depth = 0): Mail {
  return {
    ...mail,
    messageId: mail.messageId?.slice(0, MOST_SUBJECT) ?? null,
    from: mail.from && boundedBox(mail.from),
    replyTo: mail.replyTo.slice(0, 5).map(boundedBox),
    subject: mail.subject.slice(0, MOST_SUBJECT),
    headers: Object.fromEntries(
      Object.entries(mail.headers)
        .slice(0, MOST_HEADERS)
        .map(([name, value]) => [name.slice(0, MOST_NAME), value.slice(0, MOST_HEADER)]),
    ),
    text: boundedText(mail.text),
    html: boundedHtml(mail.html),
    attached: mail.attached
      .slice(0, MOST_ATTACHED)
      .map(({ type, name, text }) => ({ type: type.slice(0, 100), name: name.slice(0, MOST_NAME), text: boundedText(text) })),
    mails: depth >= 3 ? [] : mail.mails.slice(0, MOST_MAILS).map((inner) => boundedMail(inner, depth + 1)),
  };
}
