/** What the outside world really received: each key once, however often it was handed over. */
import type { Journal } from './journal';

export interface SentMessage {
  key: string;
  channel: 'text' | 'call' | 'email' | 'letter';
  from: string;
  to: string;
  at: string;
  subject: string | null;
  body: string;
  /** Further things worth looking at: headers of a mail, the number of bytes of a letter. */
  extra: Record<string, unknown>;
}

export class SentRecord {
  private readonly byKey = new Map<string, SentMessage>();
  repeats = 0;

  constructor(private readonly journal: Journal) {
    for (const line of journal.lines)
      if (line.type === 'sent') this.byKey.set((line.sent as SentMessage).key, line.sent as SentMessage);
  }

  /** True when the key is new; a known key is counted as a repeat and changes nothing. */
  take(sent: SentMessage): boolean {
    if (this.byKey.has(sent.key)) {
      this.repeats += 1;
      return false;
    }
    this.byKey.set(sent.key, sent);
    this.journal.append({ type: 'sent', sent });
    return true;
  }

  find(key: string): SentMessage | undefined {
    return this.byKey.get(key);
  }

  list(filter: { to?: string | null; channel?: string | null; since?: string | null }): SentMessage[] {
    return [...this.byKey.values()].filter(
      (sent) =>
        (!filter.to || sent.to.toLowerCase() === filter.to.toLowerCase()) &&
        (!filter.channel || sent.channel === filter.channel) &&
        (!filter.since || sent.at >= filter.since),
    );
  }
}
