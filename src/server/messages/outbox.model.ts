/** The table of outbox. */
import type { Payload } from './claim.service';
import type { Channel } from '@/core/contacts';
import { bigint, bool, id, instant, int, json, made, orNull, table, text, texts } from '../shared';

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
