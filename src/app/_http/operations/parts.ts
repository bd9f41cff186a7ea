/** What many operations take: ids, pages of a list, instants, periods. */
import Joi from 'joi';

export const limit = Joi.number().integer().min(1).max(200).default(50);
export const cursor = Joi.string().max(500);
export const id = Joi.string().pattern(/^\d{1,18}$/, 'id');
export const page = Joi.object({ limit, cursor });
export const instant = Joi.string().isoDate();
export const period = { days: Joi.number().integer().min(1).max(3660).default(30) };
