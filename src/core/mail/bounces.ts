/**
 * Mails that come back: a delivery report (RFC 3464) says of which message, to whom, and whether for good (status 5.x.x) or for now
 * (4.x.x); a feedback report (RFC 5965) says that somebody called it unwanted.
 */
import { textPattern } from '../shared';
import type { Mail } from './mail';

/** What a report of a mail server says of a mail of ours. */
export interface Returned {
  kind: 'hard' | 'soft' | 'complaint';
  /** The local part of the Message-ID of what came back: our key of the message. */
  key: string | null;
  /** To whom it was sent, as the report says. */
  address: string | null;
  /** Why, in the words of the other side. */
  error: string;
}

const field = (text: string, name: string): string | null =>
  textPattern('im')`^${name}:[ \t]*(.*(?:\r?\n[ \t].*)*)`.exec(text)?.[1]?.replace(/\s+/g, ' ').trim() ?? null;
/** `rfc822;somebody@somewhere` and `<key@ours>` without what stands around them. */
const bare = (value: string | null): string | null =>
  value
    ?.replace(/^[^;]*;\s*/, '')
    .replace(/^<|>$/g, '')
    .trim()
    .toLowerCase() || null;
const keyOf = (messageId: string | null): string | null => bare(messageId)?.split('@')[0] ?? null;

/** @returns null for a mail that reports nothing */
export function readReturned(mail: Mail): Returned | null {
  const all = [mail.text, ...mail.attached.map(({ text }) => text)].join('\n\n');
  const quoted = mail.mails[0]?.messageId ?? field(all, 'Message-ID') ?? null;
  if (mail.attached.some(({ type }) => type === 'message/feedback-report') || /^Feedback-Type:/im.test(all))
    return {
      kind: 'complaint',
      key: keyOf(quoted),
      address: bare(field(all, 'Original-Rcpt-To') ?? field(all, 'Removal-Recipient')),
      error: field(all, 'Feedback-Type') ?? 'abuse',
    };
  const status = field(all, 'Status');
  const action = field(all, 'Action')?.toLowerCase();
  if (!status || !/^[245]\.\d{1,3}\.\d{1,3}/.test(status) || (action !== 'failed' && action !== 'delayed')) return null;
  return {
    kind: status.startsWith('5') ? 'hard' : 'soft',
    key: keyOf(quoted),
    address: bare(field(all, 'Final-Recipient') ?? field(all, 'Original-Recipient')),
    error: (field(all, 'Diagnostic-Code')?.replace(/^smtp;\s*/i, '') ?? `status ${status}`).slice(0, 200),
  };
}
