/** How calls go, told by the phone network. */
import Joi from 'joi';
import { NETWORK_ENDS, type CallReport } from '@/core/calling';
import { hook } from '@/app/_http/hook';
import { verifyWebhook } from '@/providers/webhooks';
import { reportCall } from '@/server/calling';
import { config } from '@/server/shared';

const schema = Joi.object({
  key: Joi.string().max(200).required(),
  state: Joi.string().valid('ringing', 'answered', 'voicemail', 'ended').required(),
  end: Joi.string().valid(...NETWORK_ENDS),
  at: Joi.date().iso().required(),
});

export const POST = hook<{ key: string } & CallReport>(
  schema,
  (headers, body) => verifyWebhook(headers, body, config().hookSecret),
  ({ key, ...report }) => reportCall(key, report),
);
