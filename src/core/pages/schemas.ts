/** The second entry of this feature: a page checked by Joi. */
import Joi from 'joi';
import { criteriaSchema } from '../market/schemas';
import { FORM_FIELDS, PAGE_KINDS, type BlockKind } from './page';

const id = Joi.string().pattern(/^\d{1,18}$/, 'id');
const blockId = Joi.string()
  .pattern(/^[\w-]{1,40}$/, 'id of a block')
  .required();
const number = Joi.string().max(80).allow(null);
const of = <const Kind extends BlockKind, More extends Record<string, Joi.Schema>>(kind: Kind, more: More) =>
  Joi.object({ id: blockId, kind: Joi.string().valid(kind).required(), ...more });

export const pageSchema = Joi.object({
  kind: Joi.string()
    .valid(...PAGE_KINDS)
    .required(),
  blocks: Joi.array()
    .items(
      of('heading', { text: Joi.string().max(200).allow('').required() }),
      of('text', { text: Joi.string().max(6_000).allow('').required() }),
      of('picture', { picture_id: id.allow(null).required(), alt: Joi.string().max(300).allow('').required() }),
      of('form', {
        asks: Joi.array()
          .items(Joi.string().valid(...FORM_FIELDS))
          .unique()
          .required(),
        button: Joi.string().max(60).allow('').required(),
        thanks: Joi.string().max(600).allow('').required(),
      }),
      of('agent', { user_id: id.allow(null).required() }),
      of('listing', { number: number.required() }),
      of('homes', {}),
      of('footer', { text: Joi.string().max(3_000).allow('').required() }),
    )
    .min(1)
    .max(40)
    .required(),
  permissions: Joi.object({
    text: Joi.string().max(1_000).allow(null).required(),
    call: Joi.string().max(1_000).allow(null).required(),
    email: Joi.string().max(1_000).allow(null).required(),
  }).required(),
  listing: number.default(null),
  host_id: id.allow(null).default(null),
  to_host: Joi.boolean().default(false),
  criteria: criteriaSchema.default({}),
  gate_after: Joi.number().integer().min(0).max(50).default(0),
  cover: number.default(null),
});
