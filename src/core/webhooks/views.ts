/** What pages and API answers show of webhooks. */
import type { WebhookEvent } from './events';

/** Where a program listens, and for what. */
export interface WebhookInput {
  url: string;
  events: WebhookEvent[];
}

/** A webhook as pages show it, without its secret. */
export interface WebhookView extends WebhookInput {
  id: string;
  /** `failing`: nothing got through for days, and it was switched off. */
  state: 'on' | 'off' | 'failing';
  /** How its last delivery went. */
  last: { at: Date; ok: boolean } | null;
  /** Deliveries that wait for another try. */
  waiting: number;
}

/** One event on its way to one webhook. */
export interface DeliveryView {
  id: string;
  event: WebhookEvent | 'webhook.test';
  made_at: Date;
  state: 'waiting' | 'delivered' | 'failed';
  tries: number;
  /** Of the last try: what the other side answered, or why nothing came of it. */
  status: number | null;
  error: string | null;
  took_ms: number | null;
  next_at: Date | null;
  /** What was sent, as it was sent; null before the first try. */
  payload: string | null;
  /** What came back, the beginning of it. */
  answer: string | null;
}
