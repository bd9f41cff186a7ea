/** What a ladder and a roster may be, as they come from outside. */
import Joi from 'joi';
import type { Tree } from '../segments';
import { typed } from '../shared';
import { NOTIFY } from './ladder';
import { HAND_OUTS } from './roster';

const id = Joi.string().pattern(/^\d{1,18}$/, 'id');
const clock = Joi.string().pattern(/^([01]\d|2[0-3]):[0-5]\d$/, 'clock time');

export const rungSchema = Joi.object({
  id,
  /** Checked as a tree by the service, which knows the fields of the account. */
  tree: typed<Tree>(Joi.object().unknown(true)).required(),
  roster_id: id.required(),
  campaign_id: id.allow(null).default(null),
  tags: Joi.array().items(id).max(20).default([]),
  lender_id: id.allow(null).default(null),
  lender_roster_id: id.allow(null).default(null),
  notify: Joi.array()
    .items(Joi.string().valid(...NOTIFY))
    .unique()
    .default([]),
});
export const MOST_RUNGS = 200;
export const ladderSchema = Joi.object({
  rungs: Joi.array().items(rungSchema).max(MOST_RUNGS).required(),
  /** Refused while there are no listings that an agent could have: a switch without effect would be a lie. */
  own_listing: Joi.boolean().default(false),
});

const DAY = 86_400;
export const hoursSchema = Joi.array()
  .items(
    Joi.object({
      days: Joi.array().items(Joi.number().integer().min(1).max(7)).unique().min(1).required(),
      from: clock.required(),
      to: clock.required(),
    }),
  )
  .max(14);
const cap = Joi.number().integer().min(0).max(10_000).allow(null);
export const memberSchema = Joi.object({
  id: id.required(),
  weight: Joi.number().integer().min(1).max(1_000).default(1),
  daily_cap: cap.default(null),
  open_cap: cap.default(null),
  hours: hoursSchema.default([]),
  paused: Joi.boolean().default(false),
});

const roster = {
  name: Joi.string().trim().min(1).max(80),
  hand_out: Joi.string().valid(...HAND_OUTS),
  window_seconds: Joi.number()
    .integer()
    .min(5)
    .max(7 * DAY),
  try_seconds: Joi.number()
    .integer()
    .min(30)
    .max(30 * DAY)
    .allow(null),
  most_turns: Joi.number().integer().min(1).max(500).allow(null),
  then: Joi.object({
    to: Joi.string().valid('safety_net', 'roster', 'commons').required(),
    roster_id: id.allow(null),
    seconds: Joi.number()
      .integer()
      .min(30)
      .max(7 * DAY),
  }),
  hides: Joi.array().items(Joi.string().valid('name', 'source')).unique(),
  sees: Joi.string().valid('own', 'all'),
  safety_net_id: id,
  /** Who is on it, in the order of their turns. Whoever is new and does not run the office is invited first, when `invite` says so. */
  members: Joi.array().items(memberSchema).max(500).unique('id'),
  invite: Joi.boolean(),
};
export const rosterPatchSchema = Joi.object(roster).min(1);
export const rosterSchema = Joi.object({ ...roster, name: roster.name.required(), safety_net_id: id.required() });
