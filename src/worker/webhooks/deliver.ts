/** An event on its way to a webhook: what it says is put together once, then sent until it gets through or is given up. */
import { wholeAccount } from '@/core/accounts';
import { sendWebhook } from '@/providers/webhooks';
import { findContacts } from '@/server/contacts';
import { config } from '@/server/shared';
import { failDelivery, findDelivery, keepPayload, saveDelivered, type Delivery } from '@/server/webhooks';

export async function deliver(deliveryId: string): Promise<void> {
  const delivery = await findDelivery(deliveryId);
  if (!delivery) return;
  const payload = delivery.payload ?? (await payloadOf(delivery));
  if (!delivery.payload) await keepPayload(deliveryId, payload);
  const { url, secret } = delivery;
  const { ok, ...tried } = await sendWebhook({ url, secret, id: `msg_${deliveryId}`, payload }, config().webhooksPrivate);
  await (ok ? saveDelivered(deliveryId, tried) : failDelivery(deliveryId, tried));
}

/** `type`, `timestamp` and `data`, as the specification has it; the contact as it stands when the event goes out. */
async function payloadOf({ accountId, event, about }: Delivery): Promise<string> {
  const { contact_id, at, user_id, data } = about;
  const contact = contact_id ? (await findContacts(wholeAccount(accountId), [contact_id])).get(contact_id) : null;
  return JSON.stringify({
    type: event,
    timestamp: at,
    data: { ...data, ...(user_id !== undefined && { user_id }), ...(contact_id && { contact: contact ?? { id: contact_id } }) },
  });
}
