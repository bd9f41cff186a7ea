/** A mail as it came over SMTP, decoded for the core: bodies, cards and documents as text, attached mails as mails. */
import { simpleParser, type AddressObject, type ParsedMail } from 'mailparser';
import type { Mail, Mailbox } from '@/core/mail';

/** Attached mails deeper than this are not opened. */
const DEEPEST = 3;
/** Documents beyond this are not read as text. */
const MOST_TEXT = 2_000_000;

const boxes = (list: AddressObject | AddressObject[] | undefined): Mailbox[] =>
  [list ?? []]
    .flat()
    .flatMap(({ value }) => value)
    .flatMap(({ name, address }) => (address ? [{ name: lineOf(name), address: address.toLowerCase() }] : []));
/** A name or subject never holds a line break, whatever was encoded into it. */
const lineOf = (text: string | undefined): string => (text ?? '').split(/[\r\n]/)[0]!.trim();

const TEXTUAL =
  /^(?:text\/(?!plain|html)|message\/(?:global-)?(?:delivery-status|feedback-report)$|application\/(?:json|xml|vcard)|.*\+(?:json|xml)$)/i;
const isTextual = (type: string, name: string): boolean => TEXTUAL.test(type) || /\.(?:vcf|json|xml)$/i.test(name);

/** Reads a mail. Whatever is broken in it is read as far as it goes. */
export async function parseMail(raw: Buffer, depth = 0): Promise<Mail> {
  const parsed = await simpleParser(raw, {
    skipImageLinks: true,
    skipHtmlToText: true,
    skipTextToHtml: true,
    skipTextLinks: true,
    keepDeliveryStatus: true,
  });
  const mail = mailOf(parsed);
  for (const { contentType, filename, content } of parsed.attachments) {
    if (/^message\/rfc822$/i.test(contentType) && depth < DEEPEST) mail.mails.push(await parseMail(content, depth + 1));
    else if (isTextual(contentType, filename ?? '') && content.length <= MOST_TEXT)
      mail.attached.push({ type: contentType.toLowerCase(), name: filename ?? '', text: new TextDecoder().decode(content) });
  }
  const mended = !mail.text.trim() && !mail.html && !mail.mails.length && depth < DEEPEST ? withRealBoundary(raw) : null;
  return mended ? parseMail(mended, DEEPEST) : mail;
}

function mailOf(parsed: ParsedMail): Mail {
  const headers: Record<string, string> = {};
  for (const { key, line } of parsed.headerLines)
    headers[key] = line
      .slice(line.indexOf(':') + 1)
      .replace(/\s+/g, ' ')
      .trim();
  return {
    messageId: parsed.messageId ?? null,
    from: boxes(parsed.from)[0] ?? null,
    replyTo: boxes(parsed.replyTo),
    subject: lineOf(parsed.subject),
    headers,
    text: parsed.text ?? '',
    html: parsed.html || '',
    attached: [],
    mails: [],
  };
}
/** A mail whose parts are divided by another line than it declares, with the line that divides them declared. */
function withRealBoundary(raw: Buffer): Buffer | null {
  const text = raw.toString('latin1');
  const declared = /boundary\s*=\s*"?([^"\r\n;]+)"?/i.exec(text);
  const real = /^--(\S[^\r\n]{0,69})\r?\ncontent-[\w-]+:/im.exec(text);
  if (!declared || !real || declared[1] === real[1]) return null;
  return Buffer.from(
    `${text.slice(0, declared.index)}boundary="${real[1]}"${text.slice(declared.index + declared[0].length)}`,
    'latin1',
  );
}
