/** What Joi finds wrong, as people and programs are told: one error a field, with what is nearest to right. */
import type Joi from 'joi';
import type { FieldError } from './errors';

/** Errors that say only which of several shapes something has not; what is wrong within a shape tells more. */
const ONLY_ANOTHER = ['any.required', 'any.only', 'object.unknown', 'object.base', 'array.base'];
/** Where a value fits none of several shapes: what keeps it from the one that it is most like. */
function closest(detail: Joi.ValidationErrorItem): Joi.ValidationErrorItem {
  const inner = detail.type === 'alternatives.match' ? (detail.context?.details as Joi.ValidationErrorItem[] | undefined) : null;
  if (!inner?.length) return detail;
  const near = (one: Joi.ValidationErrorItem): number => one.path.length * 2 + (ONLY_ANOTHER.includes(one.type) ? 0 : 1);
  const found = inner.map(closest);
  const best = found.reduce((one, other) => (near(other) > near(one) ? other : one));
  const choice =
    best.type === 'any.required' ? found.find(({ type, path }) => type === 'any.only' && `${path}` === `${best.path}`) : best;
  return choice?.type === 'any.only' ? anyOf(choice, found) : best;
}
/** Each shape allows its own words where they tell the shapes apart: all of them are to choose from. */
function anyOf(choice: Joi.ValidationErrorItem, found: Joi.ValidationErrorItem[]): Joi.ValidationErrorItem {
  const words = found
    .filter(({ type, path }) => type === 'any.only' && `${path}` === `${choice.path}`)
    .flatMap(({ context }) => context!.valids as unknown[]);
  return { ...choice, message: `"${choice.path.join('.')}" must be one of ${[...new Set(words)].join(', ')}` };
}
const messageOf = ({ type, message, context }: Joi.ValidationErrorItem): string =>
  type === 'alternatives.types'
    ? `must be ${(context!.types as string[]).map((one) => (/^[aeo]/.test(one) ? `an ${one}` : `a ${one}`)).join(' or ')}`
    : message.replaceAll('"', '');

/** What is wrong, by field. */
export const fieldErrors = (error: Joi.ValidationError): FieldError[] =>
  error.details.map(closest).map((detail) => ({ field: detail.path.join('.') || '(body)', message: messageOf(detail) }));
