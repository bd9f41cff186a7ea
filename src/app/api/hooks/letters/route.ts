/** Where letters are, told by the print-and-post house. */
import Joi from 'joi';
import { hook } from '@/app/_http/hook';
import { verifyWebhook } from '@/providers/webhooks';
import { saveTracking, LETTER_STATES, type LetterState } from '@/server/messages';
import { config } from '@/server/shared';

const schema = Joi.object({
  key: Joi.string().max(200).required(),
  state: Joi.string()
    .valid(...LETTER_STATES)
    .required(),
  at: Joi.date().iso().required(),
});

export const POST = hook<{ key: string; state: LetterState; at: Date }>(
  schema,
  (headers, body) => verifyWebhook(headers, body, config().hookSecret),
  ({ key, state, at }) => saveTracking(key, state, at),
);
