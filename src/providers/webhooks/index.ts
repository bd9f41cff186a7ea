/** Webhooks that come in, signed as in the Standard Webhooks specification: HMAC-SHA256 over `id.timestamp.body`, no older than five minutes of real time. */
import { createHmac, timingSafeEqual } from 'node:crypto';
import { AppError } from '@/core/shared';

const TOLERANCE_SECONDS = 300;

/**
 * Checks the signature of a webhook.
 * @returns its id, by which a repeat is known
 * @throws AppError signature_invalid
 */
export function verifyWebhook(headers: Headers, body: string, secret: string): string {
  const id = headers.get('webhook-id') ?? '';
  const timestamp = headers.get('webhook-timestamp') ?? '';
  const refuse = () =>
    new AppError('signature_invalid', 'The signature of this webhook is missing, wrong or too old. Nothing was done.');
  if (!id || !/^\d{1,12}$/.test(timestamp) || Math.abs(Date.now() / 1000 - Number(timestamp)) > TOLERANCE_SECONDS) throw refuse();
  const wanted = createHmac('sha256', secret).update(`${id}.${timestamp}.${body}`).digest();
  const given = (headers.get('webhook-signature') ?? '')
    .split(' ')
    .filter((one) => one.startsWith('v1,'))
    .map((one) => Buffer.from(one.slice(3), 'base64'));
  if (!given.some((one) => one.length === wanted.length && timingSafeEqual(one, wanted))) throw refuse();
  return id;
}
