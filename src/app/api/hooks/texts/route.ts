/** Texts that people send, told by the carrier. */
import Joi from 'joi';
import { hook } from '@/app/_http/hook';
import { verifyWebhook } from '@/providers/webhooks';
import { receiveText } from '@/server/messages';
import { config } from '@/server/shared';

const schema = Joi.object({
  from: Joi.string().max(40).required(),
  to: Joi.string().max(40).required(),
  body: Joi.string().max(20_000).allow('').required(),
  at: Joi.date().iso().required(),
});

export const POST = hook<{ from: string; to: string; body: string; at: Date }>(
  schema,
  (headers, body) => verifyWebhook(headers, body, config().hookSecret),
  (text, eventId) => receiveText({ ...text, eventId }),
);
