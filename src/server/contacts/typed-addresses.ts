/** Phones and emails as somebody typed them: what may be said of each, and what is wrong with them. */
import Joi from 'joi';
import { AppError } from '@/core/shared';
import { cleanEmail, oneLine, phoneOf, showPhone } from '@/core/capture';
import { storable } from '@/core/capture/schemas';
import { ADDRESS_USES, type AddressState, type AddressUse } from '@/core/contacts';
import { isPlaceholder } from '@/core/identity';

const MOST = 60;
/** One as text alone, or with what it is to them; what is left out stays as it was. */
const one = Joi.alternatives(
  Joi.string().max(260).allow(''),
  Joi.object({
    value: Joi.string().max(260).required(),
    kind: Joi.string()
      .valid(...ADDRESS_USES)
      .allow(null),
    label: Joi.string().max(60).allow('', null),
    state: Joi.string().valid('good', 'wrong'),
  }),
);
const list = Joi.array().items(one).max(MOST);
/** All of a kind in their order: those of a kind that is left out stay. */
export const phonesSchema = list.example([{ value: '(564) 555-0123 x12', kind: 'work', label: 'Front desk' }]);
export const emailsSchema = list.example([{ value: 'oda@harbor.example', kind: 'home' }]);
/** What `PUT /api/v1/contacts/{id}/addresses` takes. */
export const addressesSchema = Joi.object({ phones: phonesSchema, emails: emailsSchema }).or('phones', 'emails');

interface Said {
  kind?: AddressUse | null;
  label?: string | null;
  state?: Exclude<AddressState, 'bounced'>;
}
type Typed = string | (Said & { value: string });
/** Phone numbers and emails as they were typed. */
export interface TypedAddresses {
  phones?: Typed[];
  emails?: Typed[];
}
export type PointKind = 'phone' | 'email';
/** A phone in E.164 or an email in small letters, with what was said of it. */
export interface Point extends Said {
  value: string;
  extension: string | null;
}

/** What is wrong with one of them, at its field. */
export const addressRefusal = (kind: PointKind, at: number, message: string): AppError =>
  new AppError('input_invalid', 'Couldn’t save the change.', { fields: [{ field: `${kind}s.${at}`, message }] });
export const shownAddressOf = (kind: PointKind, value: string): string => (kind === 'phone' ? showPhone(value) : value);

/** @throws AppError input_invalid at the field of the first that is none, or anybody's */
export function readAddresses(kind: PointKind, typed: Typed[] | undefined): Point[] | undefined {
  if (!typed) return undefined;
  const points = typed.map(asSaid).flatMap(({ value, ...said }, at) => (value ? [{ ...pointOf(kind, value, at), ...said }] : []));
  return [...new Map(points.map((point) => [point.value, point])).values()];
}
const asSaid = (typed: Typed): Said & { value: string } => {
  if (typeof typed === 'string') return { value: typed.trim() };
  const label = typed.label === undefined ? {} : { label: typed.label ? oneLine(storable(typed.label)) || null : null };
  return { ...typed, ...label, value: typed.value.trim() };
};
function pointOf(kind: PointKind, text: string, at: number): Point {
  const isPhone = kind === 'phone';
  const phone = isPhone ? phoneOf(text) : null;
  const value = isPhone ? phone?.number : cleanEmail(text);
  if (!value)
    throw addressRefusal(
      kind,
      at,
      isPhone ? `“${text}” isn’t a phone number. Enter one like (360) 555-0142` : `“${text}” isn’t an email address`,
    );
  if (isPlaceholder(value)) throw addressRefusal(kind, at, `“${text}” isn’t anyone’s ${isPhone ? 'number' : 'email'}`);
  return { value, extension: phone?.extension ?? null };
}
