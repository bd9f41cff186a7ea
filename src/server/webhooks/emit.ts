/** Something happened that other programs may want to hear: a delivery for each webhook that does, in the transaction in which it happened. */
import type { WebhookEvent } from '@/core/webhooks';
import { enqueueAll, type Tx } from '../shared';

export interface EmittedEvent {
  event: WebhookEvent;
  /** What it is about: ids, and what the event itself says. */
  about: { contact_id: string; at: Date; user_id: string | null; data: object };
}

export async function emitEvents(tx: Tx, accountId: string, events: EmittedEvent[]): Promise<void> {
  if (!events.length) return;
  const rows = await tx.rows<{ id: string }>(
    `insert into webhook_deliveries (webhook_id, event, about)
     select w.id, e->>'event', e->'about' from webhooks w, jsonb_array_elements($2::jsonb) e
     where w.account_id = $1 and w.deleted_at is null and w.state = 'on' and e->>'event' = any(w.events) returning id`,
    [accountId, JSON.stringify(events)],
  );
  if (rows.length)
    await enqueueAll(
      tx,
      'webhooks.deliver',
      rows.map(({ id }) => ({ deliveryId: id })),
    );
}
