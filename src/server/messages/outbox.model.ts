/** The table of outbox. */
import type { Channel } from '@/core/contacts';
import { bigint, bool, id, instant, int, json, made, orNull, table, text, texts } from '../shared';

/** What a row says: its words as they go, and what belongs to them. */
export interface Payload {
  subject?: string | null;
  text?: string;
  html?: string;
  files?: string[];
  day?: number;
  callId?: string;
  names?: string;
  /** Part of a conversation with the assistant. */
  talk?: true;
  /** Tied to a date: no holiday puts it off. */
  dated?: true;
  /** The one confirmation of a refusal. */
  confirms?: true;
}

export const outboxTable = table('outbox', {
  id: id(),
  account_id: bigint(),
  key: text(),
  channel: text<Channel>(),
  contact_id: bigint(),
  enrollment_id: orNull(bigint()),
  user_id: orNull(bigint()),
  address: orNull(text()),
  payload: json<Payload>(),
  automatic: bool(),
  due_at: instant(),
  state: made(text()),
  attempts: made(int()),
  leased_by: orNull(text()),
  retry_at: orNull(instant()),
  error: orNull(text()),
  receipt: orNull(text()),
  sent_at: orNull(instant()),
  created_at: instant(),
  broadcast_id: orNull(bigint()),
  template_id: orNull(bigint()),
  template_version: orNull(int()),
  picks: orNull(texts()),
  opened_at: orNull(instant()),
  opens: made(int()),
  clicked_at: orNull(instant()),
  bounced_at: orNull(instant()),
  complained_at: orNull(instant()),
  tracking: orNull(text()),
  tried_at: orNull(instant()),
});
