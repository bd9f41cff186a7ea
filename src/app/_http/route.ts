/** Makes a route handler from an operation: who asks and whether they may, the input checked, one call, the answer or the problem. */
import { formatNumber } from '@/core/format';
import { createHash } from 'node:crypto';
import Joi from 'joi';
import { AppError, notFound, type ErrorCode, type Page, fieldErrors, isWithin } from '@/core/shared';
import { may, runsTheOffice, scopeFor, type User, type Principal, type Scope } from '@/core/accounts';
import { once } from '@/server/shared';
import { Download, type AnswerOf, type BodyOf, type Listed, type Operation, type ParamsOf, type QueryOf } from './operations';
import { log } from './log';
import { principalOf, requireConfirmed } from './principal';
import { problem } from './problem';

const MOST_BYTES = 1_000_000;
/** Deeper and larger than anything that the API takes. */
const BODY_BOUNDS = { depth: 100, nodes: 60_000 };
const NO_QUERY = Joi.object({});

export interface ApiCall<Op extends Operation> {
  request: Request;
  principal: Principal;
  scope: Scope;
  params: ParamsOf<Op['path']>;
  body: BodyOf<Op>;
  query: QueryOf<Op>;
  /** Whose key it is and the key; alone what it says where the service itself sees to it. */
  idempotencyKey: IdempotencyKey<Op>;
}
type IdempotencyKey<Op> = Op extends { ownIdempotency: true } ? string | null : { principal: string; key: string } | null;

/** An answer other than 200 with a body. */
export interface ApiReply<Body = unknown> {
  status: number;
  body?: Body;
  headers?: Record<string, string>;
}
const isReply = (value: unknown): value is ApiReply =>
  typeof value === 'object' &&
  value !== null &&
  typeof (value as ApiReply).status === 'number' &&
  Object.keys(value).every((key) => ['status', 'body', 'headers'].includes(key));
export const created = <Body>(body: Body): ApiReply<Body> => ({ status: 201, body });
export const done = (): ApiReply<undefined> => ({ status: 204 });

/** A list as the API shows it: the items, and in the Link header where the next page begins (RFC 8288). */
export function listed<T>(request: Request, page: Page<T>): ApiReply<Listed<T>>;
export function listed<T, More extends object>(request: Request, page: Page<T>, more: More): ApiReply<Listed<T> & More>;
export function listed<T>(request: Request, page: Page<T>, more: object = {}): ApiReply<Listed<T>> {
  const headers: Record<string, string> = {};
  if (page.next) {
    const url = new URL(request.url);
    url.searchParams.set('cursor', page.next);
    headers.link = `<${url.pathname}${url.search}>; rel="next"`;
  }
  return { status: 200, body: { items: page.items, next_cursor: page.next, ...more }, headers };
}

type Context = { params: Promise<Record<string, string>> };

export function route<const Op extends Operation>(
  operation: Op,
  answer: (call: ApiCall<Op>) => Promise<AnswerOf<Op> | ApiReply<AnswerOf<Op>> | Response>,
): (request: Request, context: Context) => Promise<Response> {
  return async (sent, context) => {
    let who: Principal | null = null;
    try {
      const { request, digest } = operation.file && sent.headers.has('idempotency-key') ? digested(sent) : { request: sent };
      const params = (await context.params) ?? {};
      const principal = await principalOf(request, operation.beforeSecondStep);
      who = principal;
      requireRight(operation, principal);
      if (operation.confirm && principal.kind === 'user') await requireConfirmed();
      if (Object.values(params).some((value) => !/^\d{1,18}$/.test(value))) throw notFound('page');
      const body = (
        operation.method === 'GET' || operation.file || operation.anyBody ? undefined : await readBody(request, operation)
      ) as BodyOf<Op>;
      const query = checked(
        operation.query ?? NO_QUERY,
        Object.fromEntries(new URL(request.url).searchParams),
        true,
      ) as QueryOf<Op>;
      const idempotencyKey = readKey(request, operation, principal) as IdempotencyKey<Op>;
      const perform = () =>
        answer({
          request,
          principal,
          scope: scopeFor(principal),
          params: params as ParamsOf<Op['path']>,
          body,
          query,
          idempotencyKey,
        });
      const shown = (value: unknown): ApiReply => withheld(replyOf(value), operation, principal);
      if (operation.method === 'POST' && idempotencyKey && !operation.ownIdempotency) {
        const { pathname, search } = new URL(request.url);
        const type = operation.file ? request.headers.get('content-type') : null;
        const call = { pathname, search, type, body };
        const stored = await once({ ...idempotencyKey, call, file: digest, secret: operation.secret }, async () => {
          const reply = replyOf(await perform());
          return { status: reply.status, body: reply.body };
        });
        return responseOf(shown(stored));
      }
      const answered = await perform();
      if (answered instanceof Response) return answered;
      return answered instanceof Download ? downloadOf(answered) : responseOf(shown(answered));
    } catch (error) {
      logRefusal(sent, who, error);
      return problem(error);
    }
  };
}

/** Whoever is known and asks for what they may not. */
const REFUSALS: ReadonlySet<ErrorCode> = new Set(['not_allowed', 'scope_missing']);
function logRefusal({ method, url }: Request, who: Principal | null, error: unknown): void {
  if (!who || !(error instanceof AppError) || !REFUSALS.has(error.code)) return;
  log.warn({ code: error.code, method, path: new URL(url).pathname, ...asWhom(who) }, 'refused');
}
const asWhom = (who: Principal): object => (who.kind === 'key' ? { key_id: who.keyId } : { user_id: who.user.id });

function readKey(
  request: Request,
  operation: Operation,
  principal: Principal,
): string | { principal: string; key: string } | null {
  const key = request.headers.get('idempotency-key');
  if (!key) return null;
  if (key.length > 200)
    throw new AppError('input_invalid', 'The Idempotency-Key is too long.', {
      fields: [{ field: 'Idempotency-Key', message: 'at most 200 characters' }],
    });
  const who = principal.kind === 'key' ? `key ${principal.keyId}` : `person ${principal.user.id}`;
  return operation.ownIdempotency ? `${who}: ${key}` : { principal: who, key };
}

/** A request whose bytes are counted into a digest while they are read; asking for it reads what is left. */
function digested(request: Request): { request: Request; digest: () => Promise<Buffer> } {
  const hash = createHash('sha256');
  const counted = request.body?.pipeThrough(
    new TransformStream<Uint8Array, Uint8Array>({
      transform: (part, controller) => {
        hash.update(part);
        controller.enqueue(part);
      },
    }),
  );
  if (!counted) return { request, digest: () => Promise.resolve(hash.copy().digest()) };
  const own = new Request(request.url, {
    method: request.method,
    headers: request.headers,
    body: counted,
    duplex: 'half',
  } as RequestInit);
  let known: Promise<Buffer> | undefined;
  const rest = async (): Promise<Buffer> => {
    if (!own.bodyUsed) for await (const part of own.body!) void part;
    return hash.digest();
  };
  return { request: own, digest: () => (known ??= rest()) };
}

/** What a change answers to a key that may not read: which thing it was about, and no more. */
function withheld(reply: ApiReply, operation: Operation, principal: Principal): ApiReply {
  if (operation.scope !== 'contacts:write' || may(principal, 'contacts:read')) return reply;
  const { id } = (reply.body ?? {}) as { id?: unknown };
  return { ...reply, body: typeof id === 'string' ? { id } : {} };
}

const replyOf = (value: unknown): ApiReply => (isReply(value) ? value : { status: 200, body: value });
const responseOf = ({ status, body, headers = {} }: ApiReply): Response =>
  status === 204
    ? new Response(null, { status })
    : new Response(JSON.stringify(body ?? null), {
        status,
        headers: { 'content-type': 'application/json', 'cache-control': 'no-store', ...headers },
      });

const downloadOf = ({ name, type, body }: Download): Response =>
  new Response(body, {
    headers: {
      'content-type': type,
      'cache-control': 'no-store',
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
      'x-content-type-options': 'nosniff',
    },
  });

const RIGHT_REFUSED = 'Your role doesn’t include this. Ask an owner or admin of your office.';
function requireRight(operation: Operation, principal: Principal): void {
  if (operation.only === 'user' && principal.kind !== 'user')
    throw new AppError('not_allowed', 'API keys can’t do this. Log in instead.');
  const reads = operation.reads || (operation.scope === 'contacts:write' && operation.method === 'GET');
  for (const scope of [operation.scope, ...(reads ? (['contacts:read'] as const) : [])])
    if (!may(principal, scope))
      throw principal.kind === 'user' && principal.user.rights
        ? new AppError('not_allowed', RIGHT_REFUSED)
        : new AppError('scope_missing', `This needs the right “${scope}”.`);
  if (operation.right && !may(principal, operation.right)) throw new AppError('not_allowed', RIGHT_REFUSED);
  if (principal.kind === 'user' && principal.user.role === 'lender' && !operation.lenders)
    throw new AppError('not_allowed', 'Lenders see the contacts they are attached to, and nothing else.');
  if (
    (operation.only === 'office' || operation.scope === 'setup:write') &&
    principal.kind === 'user' &&
    !runsTheOffice(principal.user.role)
  ) {
    throw new AppError('not_allowed', 'Only an owner or admin can do this.');
  }
}

/** The person of a call whose operation is for people only. */
export function userOf(principal: Principal): User {
  if (principal.kind !== 'user') throw new AppError('not_allowed', 'API keys can’t do this. Log in instead.');
  return principal.user;
}

async function readBody(request: Request, operation: Operation): Promise<unknown> {
  const text = await readText(request, MOST_BYTES);
  if (!operation.body) return undefined;
  let parsed: unknown;
  try {
    parsed = JSON.parse(text || '{}');
  } catch {
    throw new AppError('input_unreadable', 'The body isn’t JSON. Nothing was saved.');
  }
  if (!isWithin(parsed, BODY_BOUNDS))
    throw new AppError('input_invalid', 'The body has too many levels or values. Nothing was saved.');
  return checked(operation.body, parsed, false);
}

/** Reads a body up to a size. @throws AppError body_too_large, before the rest is read */
export const readText = async (request: Request, most: number): Promise<string> =>
  new TextDecoder().decode(await readBytes(request, most));

/** The same as it came. @throws AppError body_too_large, before the rest is read */
export async function readBytes(request: Request, most: number): Promise<Buffer> {
  const tooLarge = () =>
    new AppError('body_too_large', `The body is larger than ${formatNumber(most / 1_000_000)} MB. Nothing was saved.`);
  const announced = Number(request.headers.get('content-length') ?? 0);
  if (announced > most) throw tooLarge();
  /* No more comes than was announced: the server sees to it. */
  if (announced) return Buffer.from(await request.arrayBuffer());
  const parts: Uint8Array[] = [];
  let size = 0;
  const stream = request.body?.getReader();
  for (let part = await stream?.read(); part && !part.done; part = await stream!.read()) {
    size += part.value.length;
    if (size > most) throw tooLarge();
    parts.push(part.value);
  }
  return Buffer.concat(parts);
}

/** @throws AppError input_invalid, which says what is wrong with each field */
export function checked(schema: Joi.Schema, value: unknown, convert: boolean): unknown {
  const { value: clean, error } = schema.validate(value, { abortEarly: false, convert });
  if (error) throw new AppError('input_invalid', 'Check the fields below. Nothing was saved.', { fields: fieldErrors(error) });
  return clean;
}
