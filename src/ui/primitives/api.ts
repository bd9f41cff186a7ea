/**
 * Asking our own API from a page: what is sent and what comes back have the types of the operation; a problem is one error with its
 * sentence and its fields.
 */
import type { Jsoned } from '@/core/shared';
import type { AnswerOf, Operations, ParamsOf, SentBody, SentQuery } from '@/app/_http/operations';

export interface FieldProblem {
  field: string;
  message: string;
}

export class Problem extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly status: number,
    readonly fields: FieldProblem[] = [],
  ) {
    super(message);
  }
}

type ByRoute = { [Id in keyof Operations as `${Operations[Id]['method']} ${Operations[Id]['path']}`]: Operations[Id] };
/** An operation by its method and path: `GET /contacts/{id}`. */
export type Route = keyof ByRoute;
/** What comes back from an operation, as JSON carries it. */
export type ApiAnswer<Key extends Route> = Jsoned<AnswerOf<ByRoute[Key]>>;
type Params<Op extends { path: string }> = unknown extends ParamsOf<Op['path']> ? unknown : { params: ParamsOf<Op['path']> };
type Body<Op> = Op extends { body: unknown }
  ? object extends SentBody<Op>
    ? { body?: SentBody<Op> }
    : { body: SentBody<Op> }
  : unknown;
type Query<Op> = Op extends { query: unknown } ? { query?: SentQuery<Op> | URLSearchParams } : unknown;
type CallInput<Op extends { path: string }> = Params<Op> & Body<Op> & Query<Op> & { headers?: Record<string, string> };
type Input<Key extends Route> =
  object extends CallInput<ByRoute[Key]> ? [input?: CallInput<ByRoute[Key]>] : [input: CallInput<ByRoute[Key]>];

/** @param route of the operation @param input what it takes @throws Problem, also when nobody answers */
export const ask = <const Key extends Route>(route: Key, ...[input]: Input<Key>): Promise<ApiAnswer<Key>> => {
  const { params = {}, query, body, headers } = (input ?? {}) as Loose;
  const [method, path] = route.split(' ') as [string, string];
  return send(addressOf(path, params, query), {
    method,
    headers: { ...(body ? { 'content-type': 'application/json' } : {}), ...headers },
    body: body ? JSON.stringify(body) : undefined,
  });
};
interface Loose {
  params?: Record<string, string>;
  query?: Record<string, unknown> | URLSearchParams;
  body?: object;
  headers?: Record<string, string>;
}

/** A path with its parameters and its query; what is undefined is left out. */
export function addressOf(path: string, params: Record<string, string>, query: Loose['query']): string {
  const words = query instanceof URLSearchParams ? query : new URLSearchParams();
  if (query && query !== words)
    for (const [name, value] of Object.entries(query)) if (value !== undefined) words.set(name, String(value));
  const at = path.replace(/\{(\w+)\}/g, (_, name: string) => encodeURIComponent(params[name] ?? ''));
  return words.size ? `${at}?${words}` : at;
}

/** Sends a file as it is. @throws Problem, whose sentence says what is wrong with the file */
export async function sendFile<const Key extends Route>(route: Key, file: Blob, ...[input]: Input<Key>): Promise<ApiAnswer<Key>> {
  const { params = {}, query, headers } = (input ?? {}) as Loose;
  const [method, path] = route.split(' ') as [string, string];
  try {
    return await send(addressOf(path, params, query), { method, headers, body: file });
  } catch (error) {
    const [first] = error instanceof Problem ? error.fields : [];
    if (!(error instanceof Problem) || !first) throw error;
    throw new Problem(error.code, `${error.message} It ${first.message}.`, error.status, error.fields);
  }
}
/** A picture into the account's own storage. */
export const sendPicture = (file: Blob): Promise<ApiAnswer<'POST /pictures'>> => sendFile('POST /pictures', file);

/** Asks for the password; false when it was not typed. Somebody must be there to ask. */
let confirmPassword: (() => Promise<boolean>) | null = null;
/** Whoever shows the dialog that asks for the password says so here. @returns what takes it back */
export function onPasswordRequired(ask: () => Promise<boolean>): () => void {
  confirmPassword = ask;
  return () => {
    if (confirmPassword === ask) confirmPassword = null;
  };
}

async function send<T>(path: string, init: RequestInit): Promise<T> {
  try {
    return await sendOnce<T>(path, init);
  } catch (error) {
    /* A change that asks for the password goes on once it was typed, as if nothing had been. */
    if (!(error instanceof Problem) || error.code !== 'password_required' || !(await confirmPassword?.())) throw error;
    return sendOnce<T>(path, init);
  }
}

async function sendOnce<T>(path: string, init: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api/v1${path}`, init);
  } catch {
    throw new Problem('unreachable', 'Can’t reach Urraca. What you typed is still here; try again in a moment.', 0);
  }
  if (response.status === 204) return undefined as T;
  const answer: unknown = await response.json().catch(() => ({}));
  if (response.ok) return answer as T;
  const problem = answer as { code?: string; detail?: string; errors?: FieldProblem[] };
  if (problem.code === 'login_required' || problem.code === 'second_step_required') window.location.reload();
  throw new Problem(
    problem.code ?? 'internal',
    problem.detail ?? 'Something went wrong on our end. Try again.',
    response.status,
    problem.errors,
  );
}

/** A key for a POST that may be tried again without being done twice. */
export const freshKey = (): Record<string, string> => ({ 'idempotency-key': crypto.randomUUID() });
export const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : 'Something went wrong. Try again.');
