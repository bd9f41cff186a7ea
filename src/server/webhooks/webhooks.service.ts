/** Webhooks as those who run the office keep them: where, for what, with a secret that is shown once; their log, a test, a replay. */
import { randomBytes } from 'node:crypto';
import { scopeFor, type Principal, type User } from '@/core/accounts';
import type { DeliveryView, WebhookInput, WebhookView } from '@/core/webhooks';
import { AppError, notFound, type Page } from '@/core/shared';
import { enqueue, enqueueAll, now, reader, sealed, transact, writeAudit, type Tx } from '../shared';

export const SEALED_FOR = 'webhook';
/** One job for each delivery that waits, whoever asked for it. */
export const jobOf = (deliveryId: string): string => `webhook-${deliveryId}`;
const MOST_WEBHOOKS = 20;
/** As the Standard Webhooks specification writes it: 24 random bytes in base64. */
const newSecret = (): string => `whsec_${randomBytes(24).toString('base64')}`;

export const listWebhooks = (accountId: string): Promise<WebhookView[]> =>
  reader().rows<WebhookView>(
    `select w.id, w.url, w.events, w.state,
       (select json_build_object('at', d.last_at, 'ok', d.state = 'delivered') from webhook_deliveries d where d.webhook_id = w.id and d.tries > 0 order by d.last_at desc limit 1) as last,
       (select count(*)::int from webhook_deliveries d where d.webhook_id = w.id and d.state = 'waiting') as waiting
     from webhooks w where w.account_id = $1 and w.deleted_at is null order by w.id`,
    [accountId],
  );

const viewOf = async (accountId: string, id: string): Promise<WebhookView> =>
  (await listWebhooks(accountId)).find((one) => one.id === id)!;

/** @throws AppError input_invalid for an address that is none that may be called */
function requireUrl(url: string, mayBePlain: boolean): void {
  const refused = (message: string) =>
    new AppError('input_invalid', 'The webhook wasn’t saved.', { fields: [{ field: 'url', message }] });
  if (!URL.canParse(url)) throw refused('Enter a whole address, such as https://hooks.yours.example/urraca');
  const { protocol, username, password } = new URL(url);
  if (protocol !== 'https:' && !(mayBePlain && protocol === 'http:')) throw refused('Use an address that begins with https://');
  if (username || password) throw refused('Leave the user name and password out of the address');
}

/** @param mayBePlain the installation allows addresses without TLS @returns the only copy of the secret */
export async function createWebhook(
  user: User,
  { url, events }: WebhookInput,
  mayBePlain: boolean,
): Promise<WebhookView & { secret: string }> {
  requireUrl(url, mayBePlain);
  const secret = newSecret();
  const id = await transact(async (tx) => {
    await tx.run('select 1 from accounts where id = $1 for update', [user.accountId]);
    const there = await tx.first<{ n: number }>(
      'select count(*)::int as n from webhooks where account_id = $1 and deleted_at is null',
      [user.accountId],
    );
    if (there!.n >= MOST_WEBHOOKS) throw new AppError('conflict', `You have ${MOST_WEBHOOKS} webhooks. Remove one first.`);
    const row = await tx.first<{ id: string }>(
      'insert into webhooks (account_id, url, events, secret, made_by) values ($1, $2, $3, $4, $5) returning id',
      [user.accountId, url, events, sealed(SEALED_FOR, secret), user.id],
    );
    await writeAudit(
      tx,
      { kind: 'user', user },
      user.accountId,
      'added a webhook',
      { webhook_id: row!.id, url, events },
      await now(tx),
    );
    return row!.id;
  });
  return { ...(await viewOf(user.accountId, id)), secret };
}

async function lockWebhook(tx: Tx, accountId: string, id: string): Promise<{ url: string; events: string[]; state: string }> {
  const row = await tx.first<{ url: string; events: string[]; state: string }>(
    'select url, events, state from webhooks where id = $1 and account_id = $2 and deleted_at is null for update',
    [id, accountId],
  );
  if (!row) throw notFound('webhook');
  return row;
}

/** @param patch `on` switches it on or off; what waited while it was off goes when it is on */
export async function updateWebhook(
  principal: Principal,
  id: string,
  patch: Partial<WebhookInput> & { on?: boolean },
  mayBePlain: boolean,
): Promise<WebhookView> {
  const { accountId } = scopeFor(principal);
  if (patch.url !== undefined) requireUrl(patch.url, mayBePlain);
  await transact(async (tx) => {
    const before = await lockWebhook(tx, accountId, id);
    const state = patch.on === undefined ? before.state : patch.on ? 'on' : 'off';
    await tx.run(
      `update webhooks set url = $2, events = $3, state = $4, failing_since = case when $4 = 'on' and state <> 'on' then null else failing_since end where id = $1`,
      [id, patch.url ?? before.url, patch.events ?? before.events, state],
    );
    await writeAudit(tx, principal, accountId, 'changed a webhook', { webhook_id: id, ...patch }, await now(tx));
    if (state === 'on' && before.state !== 'on') await resume(tx, id);
  });
  return viewOf(accountId, id);
}

async function resume(tx: Tx, webhookId: string): Promise<void> {
  const rows = await tx.rows<{ id: string }>(`select id from webhook_deliveries where webhook_id = $1 and state = 'waiting'`, [
    webhookId,
  ]);
  if (rows.length)
    await enqueueAll(
      tx,
      'webhooks.deliver',
      rows.map(({ id }) => ({ deliveryId: id })),
      ({ deliveryId }) => jobOf(deliveryId),
    );
}

/** A new secret, at once. @returns the only copy of it */
export async function rotateWebhookSecret(principal: Principal, id: string): Promise<{ secret: string }> {
  const { accountId } = scopeFor(principal);
  const secret = newSecret();
  await transact(async (tx) => {
    await lockWebhook(tx, accountId, id);
    await tx.run('update webhooks set secret = $2 where id = $1', [id, sealed(SEALED_FOR, secret)]);
    await writeAudit(tx, principal, accountId, 'changed the secret of a webhook', { webhook_id: id }, await now(tx));
  });
  return { secret };
}

export async function deleteWebhook(principal: Principal, id: string): Promise<void> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const { url } = await lockWebhook(tx, accountId, id);
    await tx.run('update webhooks set deleted_at = clock_timestamp() where id = $1', [id]);
    await writeAudit(tx, principal, accountId, 'removed a webhook', { webhook_id: id, url }, await now(tx));
  });
}

/** Its deliveries, the newest first. @param cursor where the next page begins */
export async function listDeliveries(
  accountId: string,
  webhookId: string,
  { limit, cursor }: { limit: number; cursor?: string },
): Promise<Page<DeliveryView>> {
  const before = cursor && /^\d{1,18}$/.test(cursor) ? cursor : null;
  const rows = await reader().rows<DeliveryView>(
    `select d.id, d.event, d.made_at, d.state, d.tries, d.status, d.error, d.took_ms, d.next_at, d.payload, d.answer
     from webhook_deliveries d join webhooks w on w.id = d.webhook_id
     where w.id = $1 and w.account_id = $2 and w.deleted_at is null and ($3::bigint is null or d.id < $3) order by d.id desc limit $4`,
    [webhookId, accountId, before, limit + 1],
  );
  if (!rows.length && !(await viewOf(accountId, webhookId))) throw notFound('webhook');
  return { items: rows.slice(0, limit), next: rows.length > limit ? rows[limit - 1]!.id : null };
}

/** Sends an event that says nothing but that it is a test. @returns the delivery */
export async function testWebhook(principal: Principal, id: string): Promise<{ delivery_id: string }> {
  const { accountId } = scopeFor(principal);
  return transact(async (tx) => {
    await lockWebhook(tx, accountId, id);
    const about = { at: new Date(), data: { text: 'This is a test from Urraca.' } };
    const row = await tx.first<{ id: string }>(
      `insert into webhook_deliveries (webhook_id, event, about) values ($1, 'webhook.test', $2::jsonb) returning id`,
      [id, JSON.stringify(about)],
    );
    await enqueue(tx, 'webhooks.deliver', { deliveryId: row!.id });
    return { delivery_id: row!.id };
  });
}

/** Sends what was sent once more, under the same id, so that a receiver that has it knows it. @throws AppError not_found, conflict for a webhook that is off */
export async function replayDelivery(principal: Principal, id: string): Promise<void> {
  const { accountId } = scopeFor(principal);
  await transact(async (tx) => {
    const row = await tx.first<{ on: boolean }>(
      `select w.state = 'on' as on from webhook_deliveries d join webhooks w on w.id = d.webhook_id
       where d.id = $1 and w.account_id = $2 and w.deleted_at is null for update of d`,
      [id, accountId],
    );
    if (!row) throw notFound('delivery');
    if (!row.on) throw new AppError('conflict', 'This webhook is off. Turn it on first.');
    await tx.run(`update webhook_deliveries set state = 'waiting', tries = 0, next_at = null where id = $1`, [id]);
    await enqueue(tx, 'webhooks.deliver', { deliveryId: id }, { key: jobOf(id) });
    await writeAudit(tx, principal, accountId, 'replayed a webhook delivery', { delivery_id: id }, await now(tx));
  });
}
