/** The second entry of this feature, for those who read input: the bounds of settings, checked by Joi. */
import Joi from 'joi';
import { SETTING_KEYS, SETTINGS, type Setting, type SettingKind } from './settings';

const clockTime = Joi.string().pattern(/^([01]\d|2[0-3]):[0-5]\d$/, 'clock time such as 08:00');
const day = [
  Joi.string().valid('mlk-day', 'presidents-day', 'easter', 'memorial-day', 'labor-day', 'thanksgiving'),
  Joi.string().pattern(/^(\d{4}-)?(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'day such as 12-25 or 2027-11-25'),
];

function schemaOf(name: string, kind: SettingKind): Joi.Schema {
  switch (kind.type) {
    case 'time':
      return clockTime.custom((value: string, helpers) => {
        if (kind.min && value < kind.min) return helpers.message({ custom: `${name} may not be before ${kind.min}` });
        return kind.max && value > kind.max ? helpers.message({ custom: `${name} may not be after ${kind.max}` }) : value;
      });
    case 'number':
      return Joi.number().integer().min(kind.min).max(kind.max);
    case 'text':
      return Joi.string().trim().min(kind.min).max(kind.max).allow('');
    case 'flag':
      return Joi.boolean();
    case 'days':
      return Joi.array()
        .items(...day)
        .max(100);
    case 'choice':
      return Joi.string().valid(...kind.of);
    case 'choices':
      return Joi.array().items(Joi.string().valid(...kind.of));
  }
}

/** What `PATCH /api/v1/settings` takes. Touches may be confined further than 8 to 21 o'clock, never widened: the law sets that. */
export const settingsSchema = Joi.object(
  Object.fromEntries(
    SETTING_KEYS.map((key): Setting => SETTINGS[key]).flatMap(({ name, was, kind }) =>
      [name, ...(was ? [was] : [])].map((one) => [one, schemaOf(one, kind)]),
    ),
  ),
).min(1);
