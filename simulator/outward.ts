/** What goes from the simulated world back to the application: signed webhooks (Standard Webhooks) and mails to its mail door. */
import { createHmac, randomUUID } from 'node:crypto';
import nodemailer from 'nodemailer';

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

export interface Reply {
  from: string;
  to: string;
  subject: string;
  body: string;
  inReplyTo?: string;
}

/** Hands a mail to the application's mail door by SMTP. */
export async function deliverMail(door: { host: string; port: number }, mail: Reply): Promise<boolean> {
  for (let attempt = 0; attempt < GIVE_UP_AFTER; attempt += 1) {
    const transport = nodemailer.createTransport({
      host: door.host,
      port: door.port,
      secure: false,
      ignoreTLS: true,
      connectionTimeout: 5_000,
    });
    try {
      await transport.sendMail({
        from: mail.from,
        to: mail.to,
        subject: mail.subject,
        text: mail.body,
        inReplyTo: mail.inReplyTo,
        references: mail.inReplyTo,
      });
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
