/** The simulated world: text carrier, phone network, mailboxes, print-and-post house, and the people at the other end. */
import { randomUUID } from 'node:crypto';
import { Agenda, type AgendaItem } from './clock';
import type { Journal } from './journal';
import { deliverHook, deliverMail, deliverReport } from './outward';
import { People } from './people';
import { SentRecord, type SentMessage } from './record';
import { Sky } from './weather';

const load = (url: string): Promise<unknown> => fetch(url, { redirect: 'manual', signal: AbortSignal.timeout(10_000) });

export interface WorldSettings {
  hookUrl: string;
  hookSecret: string;
  mailDoor: { host: string; port: number };
  /** How what stands in mails is loaded; over the network unless said. */
  load?: (url: string) => Promise<unknown>;
  /** True in the demo: people who are not scripted have habits. */
  habits: boolean;
}

export class SimulatorWorld {
  readonly record: SentRecord;
  readonly people: People;
  readonly sky = new Sky();
  readonly agenda: Agenda;

  constructor(
    journal: Journal,
    private readonly settings: WorldSettings,
  ) {
    this.record = new SentRecord(journal);
    this.people = new People(journal, settings.habits);
    this.agenda = new Agenda(journal, (plan) => this.carryOut(plan));
  }

  private stamp(): string {
    return new Date(this.agenda.now()).toISOString();
  }

  /** The carrier takes a text. */
  takeText(text: { key: string; from: string; to: string; body: string }): void {
    if (!this.record.take({ ...text, channel: 'text', at: this.stamp(), subject: null, extra: {} })) return;
    const answer = this.people.answer(text.to, 'text');
    if (answer) this.agenda.plan(answer.afterMs, 'text', { from: text.to, to: text.from, body: answer.body });
  }

  /** A mailbox takes a mail. */
  takeMail(mail: {
    key: string;
    from: string;
    to: string;
    replyTo: string;
    subject: string;
    body: string;
    messageId: string;
    html?: string;
    extra: Record<string, unknown>;
  }): void {
    const sent: SentMessage = {
      key: mail.key,
      channel: 'email',
      from: mail.from,
      to: mail.to,
      at: this.stamp(),
      subject: mail.subject,
      body: mail.body,
      extra: { ...mail.extra, reply_to: mail.replyTo },
    };
    if (!this.record.take(sent)) return;
    this.planAfterMail(mail);
    const answer = this.people.answer(mail.to, 'email');
    if (answer)
      this.agenda.plan(answer.afterMs, 'mail', {
        from: mail.to,
        to: mail.replyTo,
        subject: `Re: ${mail.subject}`,
        body: answer.body,
        inReplyTo: mail.messageId,
      });
  }

  private planAfterMail(mail: { key: string; from: string; to: string; messageId: string; html?: string }): void {
    const { report, opensMs, clicks } = this.people.afterMail(mail.to);
    if (report) {
      this.agenda.plan(5 * 60_000, 'report', { report, from: mail.from, to: mail.to, messageId: mail.messageId });
      if (report !== 'complains') return;
    }
    const html = mail.html ?? '';
    const picture = /<img[^>]+src="([^"]+\/o\/[^"]+)"/.exec(html)?.[1];
    const link = clicks ? /<a[^>]+href="([^"]+\/l\/[^"]+)"/.exec(html)?.[1] : null;
    if (opensMs !== null && picture) this.agenda.plan(opensMs, 'fetch', { url: picture });
    if (opensMs !== null && link) this.agenda.plan(opensMs + 20_000, 'fetch', { url: link });
  }

  /** The print-and-post house takes a letter. */
  takeLetter(letter: {
    key: string;
    from: string;
    to: string;
    name: string;
    subject: string;
    text: string;
    pdfBytes: number;
    isPdf: boolean;
  }): void {
    const { key, from, to, subject, text: body } = letter;
    const fresh = this.record.take({
      key,
      channel: 'letter',
      from,
      to,
      at: this.stamp(),
      subject,
      body,
      extra: { name: letter.name, pdf_bytes: letter.pdfBytes, is_pdf: letter.isPdf },
    });
    if (!fresh) return;
    for (const [state, days] of [
      ['printed', 0.5],
      ['posted', 1],
      ['delivered', 4],
    ] as const)
      this.agenda.plan(days * 86_400_000, 'letter', { key, state });
  }

  /** The phone network dials. What follows is on the agenda: ringing, and then whatever the person does. */
  placeCall(call: { key: string; from: string; to: string }): void {
    if (!this.record.take({ ...call, channel: 'call', at: this.stamp(), subject: null, body: '', extra: {} })) return;
    const { call: answer, talkMs } = this.people.phone(call.to);
    const report = (afterMs: number, state: string, end?: string) =>
      this.agenda.plan(afterMs, 'call', { key: call.key, state, end });
    if (answer === 'busy') return report(1_000, 'ended', 'busy');
    report(400, 'ringing');
    if (answer === 'no-answer') return this.endRinging(call, report);
    if (answer === 'voicemail') {
      report(12_000, 'voicemail');
      return report(32_000, 'ended', 'voicemail');
    }
    report(4_000, 'answered');
    if (answer === 'wrong-number') return report(10_000, 'ended', 'wrong-number');
    return report(4_000 + talkMs, 'ended', 'answered');
  }

  private endRinging(call: { from: string; to: string }, report: (afterMs: number, state: string, end?: string) => void): void {
    report(25_000, 'ended', 'no-answer');
    const answer = this.people.answer(call.to, 'call');
    if (answer) this.agenda.plan(25_000 + answer.afterMs, 'text', { from: call.to, to: call.from, body: answer.body });
  }

  /** Our side hangs up: what was still to come of the call does not. */
  hangUp(key: string): boolean {
    if (!this.record.find(key)) return false;
    const ends = (plan: AgendaItem) => plan.what === 'call' && plan.data.key === key;
    this.agenda.strike(ends);
    this.agenda.plan(0, 'call', { key, state: 'ended' });
    void this.agenda.run();
    return true;
  }

  /** Somebody writes first. */
  write(message: { channel: 'text' | 'email'; from: string; to: string; subject?: string; body: string }): void {
    if (message.channel === 'text') this.agenda.plan(0, 'text', { from: message.from, to: message.to, body: message.body });
    else this.agenda.plan(0, 'mail', { from: message.from, to: message.to, subject: message.subject ?? '', body: message.body });
    void this.agenda.run();
  }

  private async carryOut(plan: AgendaItem): Promise<void> {
    const at = new Date(plan.at).toISOString();
    const data = plan.data as Record<string, string>;
    const id = `evt_${plan.id}_${randomUUID().slice(0, 8)}`;
    if (plan.what === 'text')
      await deliverHook(`${this.settings.hookUrl}/texts`, this.settings.hookSecret, { type: 'text.received', ...data, at }, id);
    if (plan.what === 'call')
      await deliverHook(`${this.settings.hookUrl}/calls`, this.settings.hookSecret, { type: 'call.updated', ...data, at }, id);
    if (plan.what === 'letter')
      await deliverHook(
        `${this.settings.hookUrl}/letters`,
        this.settings.hookSecret,
        { type: 'letter.updated', ...data, at },
        id,
      );
    if (plan.what === 'fetch') await (this.settings.load ?? load)(data.url!).catch(() => null);
    if (plan.what === 'report') await deliverReport(this.settings.mailDoor, data as never);
    if (plan.what === 'mail')
      await deliverMail(this.settings.mailDoor, {
        from: data.from!,
        to: data.to!,
        subject: data.subject!,
        body: data.body!,
        inReplyTo: data.inReplyTo,
      });
  }
}
