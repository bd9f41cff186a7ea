/** The second entry of this feature, for those who read input: what somebody chose of formats. */
import Joi from 'joi';
import { LOCALES, type FormatChoice } from './format';

export const formatSchema = Joi.object<FormatChoice>({
  locale: Joi.string()
    .valid(...LOCALES)
    .required(),
  clock: Joi.number().valid(12, 24).allow(null).required(),
  weekStart: Joi.number().integer().min(1).max(7).allow(null).required(),
});
