/** Checking what was chosen for an import. */
import Joi from 'joi';
import { TARGETS } from './headings';
import { typed } from '../shared';
import { ON_MATCH, type CustomPlace } from './plan';

const id = Joi.string().pattern(/^\d{1,18}$/, 'id');
export const importPatchSchema = Joi.object({
  /** One for each column, in their order. */
  columns: Joi.array()
    .items(
      Joi.object({
        target: Joi.string()
          .valid(...(Object.keys(TARGETS) as (keyof typeof TARGETS)[]))
          .required(),
        order: Joi.string().valid('month-first', 'day-first'),
        place: typed<CustomPlace>(Joi.string().pattern(/^(?:note|new|field:\d{1,18})$/)).example('note'),
      }),
    )
    .max(2_000),
  options: Joi.object({
    on_match: Joi.string().valid(...ON_MATCH),
    doubtful: Joi.string().valid('take', 'leave'),
    stage: Joi.string().max(60).allow(null),
    tags: Joi.array().items(Joi.string().min(1).max(60)).max(20),
    owner_id: id.allow(null),
    source: Joi.string().max(120).allow('', null),
  }),
}).min(1);
