/** The second entry of this feature: a page checked by Joi. */
import Joi from 'joi';
import { criteriaSchema } from '../market/schemas';
import { typed } from '../shared';
import { BLOCK_KINDS, blockFields, FORM_FIELDS, PAGE_KINDS, type Block, type BlockFieldKind } from './blocks';

const id = Joi.string().pattern(/^\d{1,18}$/, 'id');
const blockId = Joi.string()
  .pattern(/^[\w-]{1,40}$/, 'id of a block')
  .required();
const number = Joi.string().max(80).allow(null);
/** What may stand in a field, by its kind. @param most characters */
const VALUES: Record<BlockFieldKind, (most: number) => Joi.Schema> = {
  line: (most) => Joi.string().max(most).allow(''),
  words: (most) => Joi.string().max(most).allow(''),
  picture: () => id.allow(null),
  user: () => id.allow(null),
  listing: () => number,
  asks: () =>
    Joi.array()
      .items(Joi.string().valid(...FORM_FIELDS))
      .unique(),
};
const blockSchemas = BLOCK_KINDS.map((kind) =>
  Joi.object({
    id: blockId,
    kind: Joi.string().valid(kind).required(),
    ...Object.fromEntries(blockFields(kind).map(([field, { is, most = 200 }]) => [field, VALUES[is](most).required()])),
  }),
);

export const pageSchema = Joi.object({
  kind: Joi.string()
    .valid(...PAGE_KINDS)
    .required(),
  blocks: typed<Block[]>(
    Joi.array()
      .items(...blockSchemas)
      .min(1)
      .max(40),
  ).required(),
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
