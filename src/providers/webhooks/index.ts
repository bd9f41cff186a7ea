/** Webhooks that come in, signed as in the Standard Webhooks specification, no older than five minutes of real time. */
import { Webhook } from 'standardwebhooks';
import { AppError } from '@/core/shared';

/** A secret as the specification writes it (`whsec_` and base64), or one of ours, which is the key itself. */
const webhookOf = (secret: string): Webhook =>
  secret.startsWith('whsec_') ? new Webhook(secret) : new Webhook(Buffer.from(secret).toString('base64'));

/**
 * Checks the signature of a webhook.
 * @returns its id, by which a repeat is known
 * @throws AppError signature_invalid
 */
export function verifyWebhook(headers: Headers, body: string, secret: string): string {
  try {
    webhookOf(secret).verify(body, Object.fromEntries(headers));
  } catch (error) {
    throw new AppError(
      'signature_invalid',
      'The signature of this webhook is missing, wrong or too old. Nothing was done.',
      {},
      error,
    );
  }
  return headers.get('webhook-id')!;
}
export { isPublic, sendWebhook, type WebhookAnswer, type WebhookMessage } from './send';
