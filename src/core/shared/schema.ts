/**
 * What a Joi schema takes and what comes out of it, as types: a body is stated once, by its schema. Joi's own types forget
 * what `valid`, `required`, `allow` and the keys of an object say; here they remember it.
 */
import type Joi from 'joi';

declare const VALUE: unique symbol;
declare const SENT: unique symbol;
declare const NEEDED: unique symbol;
declare const FILLED: unique symbol;
declare const NULLED: unique symbol;

/** A schema out of which a value comes, and what is sent for it, which may leave out what has a default. */
export interface Typed<Value, Sent = Value> {
  readonly [VALUE]: Value;
  readonly [SENT]: Sent;
}
interface Needed {
  readonly [NEEDED]: true;
}
interface Filled {
  readonly [FILLED]: true;
}
interface OrNull {
  readonly [NULLED]: true;
}
/** What stands where Joi takes a schema: a schema, a literal, or several of them. */
type Part = Joi.Schema | string | number | boolean | null | readonly Part[];
type Parts = Record<string, Part>;

type Plain<S> = S extends Joi.StringSchema
  ? string
  : S extends Joi.NumberSchema
    ? number
    : S extends Joi.BooleanSchema
      ? boolean
      : S extends Joi.DateSchema
        ? Date
        : S extends Joi.ArraySchema
          ? unknown[]
          : S extends Joi.ObjectSchema
            ? Record<string, unknown>
            : unknown;
type IsAny<S> = 0 extends 1 & S ? true : false;
type WithNull<S, V> = S extends OrNull ? V | null : V;

/** What comes out of a schema when it has checked its input. */
export type ValueOf<S> =
  IsAny<S> extends true
    ? unknown
    : S extends readonly Part[]
      ? ValueOf<S[number]>
      : S extends Joi.Schema
        ? WithNull<S, S extends Typed<infer V, unknown> ? V : Plain<S>>
        : S;
/** What a caller sends. */
export type SentFor<S> =
  IsAny<S> extends true
    ? unknown
    : S extends readonly Part[]
      ? SentFor<S[number]>
      : S extends Joi.Schema
        ? WithNull<S, S extends Typed<unknown, infer V> ? V : Plain<S>>
        : S;

type Simple<T> = { [K in keyof T]: T[K] };
type ObjectValue<M> = Simple<
  { [K in keyof M as M[K] extends Needed | Filled ? K : never]: ValueOf<M[K]> } & {
    [K in keyof M as M[K] extends Needed | Filled ? never : K]?: ValueOf<M[K]>;
  }
>;
type ObjectSent<M> = Simple<
  { [K in keyof M as M[K] extends Needed ? K : never]: SentFor<M[K]> } & {
    [K in keyof M as M[K] extends Needed ? never : K]?: SentFor<M[K]>;
  }
>;
type OfObject<M> = Typed<ObjectValue<M>, ObjectSent<M>>;
type OfList<S extends readonly Part[]> = Typed<ValueOf<S[number]>[], SentFor<S[number]>[]>;
type OfAny<S extends readonly Part[]> = Typed<ValueOf<S[number]>, SentFor<S[number]>>;

/** What checking makes of a value: the value, or what is wrong with it. */
type Checked<Value> =
  | { error: undefined; warning?: Joi.ValidationError; value: Value }
  | { error: Joi.ValidationError; warning?: Joi.ValidationError; value: undefined };

declare module 'joi' {
  interface AnySchema {
    validate(value: unknown, options?: Joi.ValidationOptions): Checked<ValueOf<this>>;
    required(): this & Needed;
    default(value: null): this & Filled & OrNull;
    default(value: unknown): this & Filled;
    valid<const V extends readonly unknown[]>(...values: V): this & Typed<V[number]>;
    allow<const V extends readonly unknown[]>(...values: V): null extends V[number] ? this & OrNull : this;
  }
  interface ArraySchema {
    items<const S extends readonly Part[]>(...types: S): this & OfList<S>;
    ordered<const S extends readonly Joi.Schema[]>(
      ...types: S
    ): this & Typed<{ -readonly [K in keyof S]: ValueOf<S[K]> }, { -readonly [K in keyof S]: SentFor<S[K]> }>;
  }
  interface ObjectSchema {
    keys<M extends Parts>(map: M): this & OfObject<M>;
    pattern<S extends Joi.Schema>(
      key: RegExp | Joi.Schema,
      schema: S,
    ): this & Typed<Record<string, ValueOf<S>>, Record<string, SentFor<S>>>;
  }
  interface AlternativesSchema {
    try<const S extends readonly Part[]>(...types: S): this & OfAny<S>;
  }
  interface Root {
    object<M extends Parts>(map: M): Joi.ObjectSchema & OfObject<M>;
    alternatives<const S extends readonly [Part, ...Part[]]>(...types: S): Joi.AlternativesSchema & OfAny<S>;
    valid<const V extends readonly unknown[]>(...values: V): Joi.AnySchema & Typed<V[number]>;
  }
}

/** A schema that refers to itself, of which the type is said by hand. */
export const typed = <Value, Sent = Value, S extends Joi.AnySchema = Joi.AnySchema>(schema: S): S & Typed<Value, Sent> =>
  schema as S & Typed<Value, Sent>;
