/** What one operation of the API is, and which types follow from it: for its handler, for the pages that call it, for the tests. */
import type Joi from 'joi';
import type { Action, KeyScope } from '@/core/accounts';
import type { SentFor, ValueOf } from '@/core/shared';

declare const ANSWER: unique symbol;
/** An answer, of which there is only the type: the value is what the handler returns, the schema in the document is made from this. */
export interface AnswerType<Value> {
  readonly [ANSWER]?: Value;
}
export const answer = <Value>(): AnswerType<Value> => ({});
/** 204: it is done, and there is nothing more to say. */
export const nothing: AnswerType<undefined> = {};

/** A list, and where its next page begins. */
export interface Listed<T> {
  items: T[];
  next_cursor: string | null;
}
/** A file to download, as it comes. */
export class Download {
  constructor(
    readonly name: string,
    readonly type: string,
    readonly body: ReadableStream<Uint8Array>,
  ) {}
}

export interface Operation {
  method: 'GET' | 'POST' | 'PATCH' | 'PUT' | 'DELETE';
  /** Below /api/v1, parameters in braces. */
  path: string;
  /** The path it had before, which is kept and marked as deprecated. */
  was?: string;
  summary: string;
  scope: KeyScope;
  /** `person`: only somebody who is logged in. `office`: only owner or admin, or a key with the scope. */
  only?: 'user' | 'office';
  /** Shows contacts beyond the answer to a change, so that a key needs `contacts:read` as well; every GET of `contacts:write` does. */
  reads?: boolean;
  /** Also for lenders, who look at the contacts that they are attached to and at nothing else. */
  lenders?: boolean;
  /** Beside the scope, a right that a person must have. */
  right?: Action;
  /** A person is asked for their password again, unless they have typed it lately. */
  confirm?: boolean;
  /** Also for somebody who must set up a second step before anything else. */
  beforeSecondStep?: boolean;
  body?: Joi.Schema;
  /** What comes back. */
  answer: AnswerType<unknown>;
  /** The body is a file: the handler reads it as a stream, and it is kept by its own rules. */
  file?: boolean;
  /** The handler reads the body itself, which may have another shape than the one that is promised to be read. */
  anyBody?: boolean;
  query?: Joi.ObjectSchema;
  /** The answer holds a secret that is shown once, and is not kept for a repeat. */
  secret?: boolean;
  /** True where the service itself sees to the Idempotency-Key, in the same transaction. */
  ownIdempotency?: boolean;
}

/** The parameters in a path, by name. */
export type ParamsOf<Path extends string> = Path extends `${string}{${infer Name}}${infer Rest}`
  ? { [Key in Name | keyof ParamsOf<Rest>]: string }
  : unknown;
/** What the handler of an operation gets. */
export type BodyOf<Op> = Op extends { body: infer Body } ? ValueOf<Body> : undefined;
export type QueryOf<Op> = Op extends { query: infer Query } ? ValueOf<Query> : Record<string, never>;
/** What a caller sends. */
export type SentBody<Op> = Op extends { body: infer Body } ? SentFor<Body> : undefined;
export type SentQuery<Op> = Op extends { query: infer Query } ? SentFor<Query> : undefined;
export type AnswerOf<Op> = Op extends { answer: AnswerType<infer Value> } ? Value : never;
