/** Checking what was asked to be done to many: the change, and whom it is for. */
import Joi from 'joi';
import { CHANNEL_KEYS, CONTACT_ROLES } from '../contacts';
import { questionSchema } from '../segments/schemas';
import type { SentFor } from '../shared';

const id = Joi.string().pattern(/^\d{1,18}$/, 'id');
const ids = Joi.array().items(id).max(100).default([]);
const roles = Joi.array()
  .items(Joi.string().valid(...CONTACT_ROLES))
  .default([]);
const kind = <const Name extends string, Rest extends Record<string, Joi.Schema>>(name: Name, rest: Rest) =>
  Joi.object({ kind: Joi.string().valid(name).required(), ...rest });

export const changeSchema = Joi.alternatives().try(
  kind('tags', { add: ids, remove: ids }),
  kind('stage', { stage: Joi.string().max(60).required(), archived_because: Joi.string().max(500) }),
  kind('horizon', { horizon: Joi.string().max(60).allow(null).required() }),
  kind('roles', { add: roles, remove: roles }),
  kind('owner', { owner_id: id.required() }),
  kind('hand_on', { roster_id: id.allow(null).required() }),
  kind('field', {
    field_id: id.required(),
    value: Joi.alternatives(
      Joi.string().max(2_000).allow(''),
      Joi.number(),
      Joi.boolean(),
      Joi.array().items(Joi.string().max(200)).max(100),
      Joi.valid(null),
    ).required(),
  }),
  kind('permission', {
    channel: Joi.string()
      .valid(...CHANNEL_KEYS)
      .required(),
    state: Joi.string().valid('granted', 'withdrawn').required(),
    evidence: Joi.string().max(500).allow('').default(''),
  }),
  kind('campaign', { campaign_id: id.required() }),
  kind('call_list', { note: Joi.string().max(500).allow('').default('') }),
  kind('delete', {}),
);

/** People named one by one, or everybody whom a question finds except some. */
export const selectionSchema = Joi.object({
  ids: Joi.array().items(id).max(10_000),
  question: questionSchema,
  except: Joi.array().items(id).max(10_000).default([]),
})
  .xor('ids', 'question')
  .example({ ids: ['41', '42'] });
/** People as a caller chooses them: one by one, or everybody of a list except some. */
export type ContactSelection = SentFor<typeof selectionSchema>;
/** A bulk action as a caller asks for it. */
export type BulkActionInput = SentFor<typeof changeSchema>;
