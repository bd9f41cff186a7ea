/** The tables of webhooks and of what is sent to them. */
import type { DeliveryView, WebhookView } from '@/core/webhooks';
import { bigint, bytes, id, instant, int, json, made, orNull, table, text, texts } from '../shared';

export const webhooksTable = table('webhooks', {
  id: id(),
  account_id: bigint(),
  url: text(),
  events: texts(),
  secret: bytes(),
  state: made(text<WebhookView['state']>()),
  failing_since: orNull(instant()),
  made_by: orNull(bigint()),
  made_at: made(instant()),
  deleted_at: orNull(instant()),
});
export const webhookDeliveriesTable = table('webhook_deliveries', {
  id: id(),
  webhook_id: bigint(),
  event: text(),
  about: json<object>(),
  payload: orNull(text()),
  made_at: made(instant()),
  state: made(text<DeliveryView['state']>()),
  tries: made(int()),
  next_at: orNull(instant()),
  last_at: orNull(instant()),
  status: orNull(int()),
  error: orNull(text()),
  answer: orNull(text()),
  took_ms: orNull(int()),
});
