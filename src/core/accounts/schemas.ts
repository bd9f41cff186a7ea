/** The second entry of this feature, for those who read input: the bounds of settings, checked by Joi. */
import Joi from 'joi';

const clockTime = Joi.string().pattern(/^([01]\d|2[0-3]):[0-5]\d$/, 'clock time such as 08:00');
/** What `PATCH /api/v1/settings` takes. Touches may be confined further than 8 to 21 o'clock, never widened: the law sets that. */
export const settingsSchema = Joi.object({
  quiet_to: clockTime.custom((value: string, helpers) =>
    value < '08:00' ? helpers.message({ custom: 'quiet_to may not be before 08:00' }) : value,
  ),
  quiet_from: clockTime.custom((value: string, helpers) =>
    value > '21:00' ? helpers.message({ custom: 'quiet_from may not be after 21:00' }) : value,
  ),
  conversation_seconds: Joi.number().integer().min(10).max(3600),
  tag_barred: Joi.array().items(Joi.string().valid('agent', 'caller')),
  tag_places: Joi.boolean(),
  cap_day: Joi.number().integer().min(1).max(10),
  cap_week: Joi.number().integer().min(1).max(30),
  cap_month: Joi.number().integer().min(1).max(100),
  text_gap_hours: Joi.number().integer().min(0).max(168),
  holidays: Joi.array()
    .items(
      Joi.string().valid('mlk-day', 'presidents-day', 'easter', 'memorial-day', 'labor-day', 'thanksgiving'),
      Joi.string().pattern(/^(\d{4}-)?(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'day such as 12-25 or 2027-11-25'),
    )
    .max(100),
  postal_address: Joi.string().trim().min(10).max(300).allow(''),
  campaigns_held: Joi.boolean(),
  letter_cents: Joi.number().integer().min(0).max(100_000),
}).min(1);
