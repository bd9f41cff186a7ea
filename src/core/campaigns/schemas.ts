/** The second entry of this feature, for those who read input: the shape of a plan, checked by Joi. */
import Joi from 'joi';
import type { Tree } from '../segments';
import { typed } from '../shared';
import { CHANNEL_KEYS, CONTACT_ROLES, DATE_KINDS } from '../contacts';
import { TALK_ASKS } from '../conversations';
import { wordsSchema } from '../messages/schemas';
import { TASK_ROLES, type Step } from './plan';

/** A segment's tree is read by its own reader, which says what is wrong with it. */
const tree = typed<Tree>(Joi.object().unknown(true));
const id = Joi.string().pattern(/^\d{1,18}$/);
const clock = Joi.string().pattern(/^([01]\d|2[0-3]):[0-5]\d$/, 'clock time such as 09:00');
const MOST_DAYS = 3_650;
const day = Joi.number().integer().min(0).max(MOST_DAYS);
const after = Joi.string().valid('start', 'last').required();
const aDate = {
  date: Joi.string()
    .valid(...DATE_KINDS)
    .required(),
  days: Joi.number().integer().min(-180).max(180).required(),
  at: clock.required(),
};

const when = Joi.alternatives(
  Joi.object({
    after,
    minutes: Joi.number()
      .integer()
      .min(0)
      .max(MOST_DAYS * 1440)
      .required(),
  }),
  Joi.object({
    after,
    days: day.required(),
    at: clock.required(),
    on: Joi.array().items(Joi.number().integer().min(1).max(7)).unique().max(7),
  }),
  Joi.object(aDate),
);
const change = Joi.alternatives(
  Joi.object({ set: Joi.valid('tag', 'untag').required(), tagId: id.required() }),
  Joi.object({ set: Joi.valid('stage').required(), stage: Joi.string().max(80).required() }),
  Joi.object({ set: Joi.valid('horizon').required(), horizon: Joi.string().max(80).allow(null).required() }),
  Joi.object({ set: Joi.valid('owner').required(), userId: id.required() }),
  Joi.object({ set: Joi.valid('field').required(), fieldId: id.required(), value: Joi.string().max(500).allow('').required() }),
  Joi.object({ set: Joi.valid('task').required(), note: Joi.string().max(500).allow('').required() }),
  Joi.object({ set: Joi.valid('begin', 'leave').required(), campaignId: id.required() }),
);
const ask = Joi.alternatives(
  Joi.object({ about: Joi.valid('answered', 'opened', 'has_phone', 'has_email').required() }),
  Joi.object({ about: Joi.valid('segment').required(), tree: tree.required() }),
);
const base = { id: Joi.number().integer().min(0).max(9_999).required(), when: when.required() };
const steps = typed<Step[]>(
  Joi.array()
    .max(200)
    .items(
      Joi.alternatives(
        Joi.object({
          ...base,
          do: Joi.valid('touch').required(),
          channel: Joi.valid(...CHANNEL_KEYS).required(),
          words: wordsSchema.required(),
          from: Joi.alternatives(Joi.object({ template: id.required() }), Joi.object({ challenge: id.required() })).allow(null),
        }),
        Joi.object({
          ...base,
          do: Joi.valid('task').required(),
          role: Joi.valid(...TASK_ROLES).required(),
          note: Joi.string().max(500).allow('').required(),
        }),
        Joi.object({ ...base, do: Joi.valid('change').required(), change: change.required() }),
        Joi.object({
          ...base,
          do: Joi.valid('talk').required(),
          questions: Joi.array()
            .max(8)
            .items(
              Joi.object({
                asks: Joi.valid(...TALK_ASKS).required(),
                words: Joi.string().max(300).allow('').required(),
                fieldId: id.allow(null),
              }),
            )
            .required(),
        }),
        Joi.object({
          ...base,
          do: Joi.valid('branch').required(),
          ask: ask.required(),
          yes: Joi.link('#way').required(),
          no: Joi.link('#way').required(),
        }),
      ),
    )
    .id('way'),
);

/** What `PUT /api/v1/campaigns/{id}/plan` takes. */
export const planSchema = Joi.object({
  roles: Joi.array()
    .items(Joi.valid(...CONTACT_ROLES))
    .unique()
    .max(6)
    .required(),
  who: tree.allow(null).required(),
  anyStage: Joi.boolean().required(),
  starts: Joi.array()
    .max(10)
    .items(
      Joi.alternatives(
        Joi.object({ on: Joi.valid('enter').required(), tree: tree.required() }),
        Joi.object({
          on: Joi.valid('inquiry').required(),
          doors: Joi.array().items(id).max(100).required(),
          sources: Joi.array().items(Joi.string().max(120)).max(100).required(),
        }),
        Joi.object({ on: Joi.valid('date').required(), ...aDate }),
        Joi.object({
          on: Joi.valid('day').required(),
          day: Joi.string()
            .pattern(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'day such as 12-20')
            .required(),
          at: clock.required(),
        }),
      ),
    )
    .required(),
  steps: steps.required(),
  repeat: Joi.object({
    days: Joi.number().integer().min(1).max(MOST_DAYS).required(),
    times: Joi.number().integer().min(1).max(1_000).allow(null).required(),
  })
    .allow(null)
    .required(),
  ends: Joi.object({
    answered: Joi.valid('end', 'pause', 'on').required(),
    pauseDays: Joi.number().integer().min(1).max(365).required(),
    unreachable: Joi.valid('end', 'on').required(),
    then: Joi.array().items(change).max(10).required(),
  }).required(),
  held: Joi.valid('move', 'lapse').required(),
}).example({
  roles: ['buyer'],
  who: null,
  anyStage: false,
  starts: [{ on: 'inquiry', doors: [], sources: [] }],
  steps: [
    { id: 0, when: { after: 'start', minutes: 0 }, do: 'task', role: 'owner', note: 'Call them about the home they asked for' },
  ],
  repeat: null,
  ends: { answered: 'end', pauseDays: 14, unreachable: 'end', then: [] },
  held: 'move',
});
