/** What goes from the simulated world back to the application: signed webhooks (Standard Webhooks) and mails to its mail door. */
import { createHmac, randomUUID } from 'node:crypto';
import nodemailer, { type SendMailOptions } from 'nodemailer';

const GIVE_UP_AFTER = 8;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Delivers an event, trying again while the application is not there. A repeat carries the same id. */
export async function deliverHook(url: string, secret: string, event: object, id = `evt_${randomUUID()}`): Promise<boolean> {
  const body = JSON.stringify(event);
  for (let attempt = 0; attempt < GIVE_UP_AFTER; attempt += 1) {
    const timestamp = Math.floor(Date.now() / 1000);
    const signature = createHmac('sha256', secret).update(`${id}.${timestamp}.${body}`).digest('base64');
    try {
      const response = await fetch(url, {
        method: 'POST',
        headers: {
          'content-type': 'application/json',
          'webhook-id': id,
          'webhook-timestamp': String(timestamp),
          'webhook-signature': `v1,${signature}`,
        },
        body,
        signal: AbortSignal.timeout(10_000),
      });
      if (response.ok) return true;
      if (response.status >= 400 && response.status < 500 && response.status !== 429) return false;
    } catch {
      /* not there: try again */
    }
    await pause(Math.min(4_000, 100 * 2 ** attempt));
  }
  return false;
}

export interface MailReply {
  from: string;
  to: string;
  subject: string;
  body: string;
  inReplyTo?: string;
}

/** Hands something to the application's mail door by SMTP, trying again while it is not there. */
async function handToDoor(door: { host: string; port: number }, mail: SendMailOptions): Promise<boolean> {
  for (let attempt = 0; attempt < GIVE_UP_AFTER; attempt += 1) {
    const transport = nodemailer.createTransport({
      host: door.host,
      port: door.port,
      secure: false,
      ignoreTLS: true,
      connectionTimeout: 5_000,
    });
    try {
      await transport.sendMail(mail);
      return true;
    } catch (error) {
      if (((error as { responseCode?: number }).responseCode ?? 0) >= 500) return false;
      await pause(Math.min(4_000, 100 * 2 ** attempt));
    } finally {
      transport.close();
    }
  }
  return false;
}

/** A mail that somebody writes. */
export const deliverMail = (door: { host: string; port: number }, mail: MailReply): Promise<boolean> =>
  handToDoor(door, {
    from: mail.from,
    to: mail.to,
    subject: mail.subject,
    text: mail.body,
    inReplyTo: mail.inReplyTo,
    references: mail.inReplyTo,
  });

/** A report about a mail of the application's: undeliverable for good or for now (RFC 3464), or called unwanted (RFC 5965). */
export function deliverReport(
  door: { host: string; port: number },
  { report, from, to, messageId }: { report: 'returns' | 'delays' | 'complains'; from: string; to: string; messageId: string },
): Promise<boolean> {
  const boundary = `b${randomUUID()}`;
  const complaint = report === 'complains';
  const machine = complaint
    ? `Feedback-Type: abuse\r\nUser-Agent: simulator/1\r\nVersion: 1\r\nOriginal-Rcpt-To: <${to}>\r\n`
    : `Reporting-MTA: dns; mail.elsewhere.example\r\n\r\nFinal-Recipient: rfc822; ${to}\r\nAction: failed\r\nStatus: ${report === 'returns' ? '5.1.1' : '4.2.2'}\r\nDiagnostic-Code: smtp; ${report === 'returns' ? '550 5.1.1 no such mailbox' : '452 4.2.2 mailbox full'}\r\n`;
  const type = complaint ? 'message/feedback-report' : 'message/delivery-status';
  const raw = [
    `From: ${complaint ? 'feedback' : 'MAILER-DAEMON'}@elsewhere.example`,
    `To: ${from}`,
    `Subject: ${complaint ? 'Complaint about a message' : 'Delivery report'}`,
    `Message-ID: <${randomUUID()}@elsewhere.example>`,
    'Auto-Submitted: auto-generated',
    'MIME-Version: 1.0',
    `Content-Type: multipart/report; report-type=${complaint ? 'feedback-report' : 'delivery-status'}; boundary="${boundary}"`,
    '',
    `--${boundary}`,
    'Content-Type: text/plain; charset=utf-8',
    '',
    complaint ? 'Somebody called this message unwanted.' : 'A message could not be delivered.',
    `--${boundary}`,
    `Content-Type: ${type}`,
    '',
    machine,
    `--${boundary}`,
    'Content-Type: text/rfc822-headers',
    '',
    `From: ${from}`,
    `To: ${to}`,
    `Message-ID: ${messageId}`,
    '',
    `--${boundary}--`,
    '',
  ].join('\r\n');
  return handToDoor(door, { envelope: { from: '', to: [from] }, raw });
}
