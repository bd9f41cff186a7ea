/** Deliveries as the worker carries them out: read, tried, tried again, given up. A webhook to which nothing gets through for days is switched off. */
import { nextDelay } from '@/core/webhooks';
import { enqueue, reader, transact, unsealed, type Tx } from '../shared';
import { jobOf, SEALED_FOR } from './webhooks.service';

export interface Delivery {
  id: string;
  accountId: string;
  url: string;
  secret: string;
  event: string;
  about: { contact_id?: string; at: string; user_id?: string | null; data: object };
  payload: string | null;
  made_at: Date;
}
/** What came of one try. */
export interface DeliveryTry {
  status: number | null;
  error: string | null;
  answer: string | null;
  tookMs: number;
}

/** After so long without one success a webhook is switched off. */
const FAILING_DAYS = 5;
const KEPT_DAYS = 30;

/** One that waits; null when it is done, or its webhook is gone or off. */
export async function findDelivery(id: string): Promise<Delivery | null> {
  const row = await reader().first<Omit<Delivery, 'secret'> & { sealed: Buffer }>(
    `select d.id, w.account_id as "accountId", w.url, w.secret as sealed, d.event, d.about, d.payload, d.made_at
     from webhook_deliveries d join webhooks w on w.id = d.webhook_id
     where d.id = $1 and d.state = 'waiting' and w.deleted_at is null and (w.state = 'on' or d.event = 'webhook.test')`,
    [id],
  );
  const secret = row && unsealed(SEALED_FOR, row.sealed);
  if (!row || !secret) return null;
  const { id: delivery, accountId, url, event, about, payload, made_at } = row;
  return { id: delivery, accountId, url, secret, event, about, payload, made_at };
}

/** What is sent is the same at every try. */
export const keepPayload = (id: string, payload: string): Promise<void> =>
  reader().run('update webhook_deliveries set payload = $2 where id = $1 and payload is null', [id, payload]);

export const saveDelivered = (id: string, tried: DeliveryTry): Promise<void> =>
  transact(async (tx) => {
    await saveTry(tx, id, tried, 'delivered', null);
    await tx.run(
      'update webhooks w set failing_since = null from webhook_deliveries d where d.id = $1 and w.id = d.webhook_id and w.failing_since is not null',
      [id],
    );
  });

/** It did not get through: it is tried again in a while, or given up. */
export const failDelivery = (id: string, tried: DeliveryTry): Promise<void> =>
  transact(async (tx) => {
    const row = await tx.first<{ tries: number; webhook_id: string; event: string }>(
      'select tries, webhook_id, event from webhook_deliveries where id = $1 for update',
      [id],
    );
    if (!row) return;
    /* Somebody who tries waits for the answer, not for three days. */
    const delay = row.event === 'webhook.test' ? null : nextDelay(row.tries + 1);
    const nextAt = delay === null ? null : new Date(Date.now() + delay);
    await saveTry(tx, id, tried, nextAt ? 'waiting' : 'failed', nextAt);
    if (nextAt) await enqueue(tx, 'webhooks.deliver', { deliveryId: id }, { runAt: nextAt, key: jobOf(id) });
    await tx.run(
      `update webhooks set failing_since = coalesce(failing_since, clock_timestamp()),
         state = case when state = 'on' and failing_since < clock_timestamp() - make_interval(days => $2) then 'failing' else state end
       where id = $1 and $3 <> 'webhook.test'`,
      [row.webhook_id, FAILING_DAYS, row.event],
    );
  });

const saveTry = (
  tx: Tx,
  id: string,
  { status, error, answer, tookMs }: DeliveryTry,
  state: string,
  nextAt: Date | null,
): Promise<void> =>
  tx.run(
    `update webhook_deliveries set state = $2, tries = tries + 1, next_at = $3, last_at = clock_timestamp(), status = $4, error = $5, answer = $6, took_ms = $7 where id = $1`,
    [id, state, nextAt, status, error, answer, Math.round(tookMs)],
  );

/** What happened a month ago is no longer told of. */
export const sweepDeliveries = (): Promise<void> =>
  reader().run('delete from webhook_deliveries where made_at < clock_timestamp() - make_interval(days => $1)', [KEPT_DAYS]);
