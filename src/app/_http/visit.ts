/** Visitors of public pages over HTTP: what they send, who they are by their cookie, and documents as answers. */
import { AppError } from '@/core/shared';
import type { FormValues } from '@/core/pages';
import {
  findVisitor,
  firstVisit,
  newVisitor,
  openPage,
  pageToken,
  type Shown,
  type VisitorStep,
  type Visitor,
} from '@/server/pages';
import { config } from '@/server/shared';
import { pageDocument, type FormState, type PageContext } from '@/ui/pages/public';
import { log } from './log';
import { plainPage } from './plain';
import { readText } from './route';

const MOST_BYTES = 100_000;
const COOKIE = 'urraca_visitor';
const VISITOR_COOKIE = new RegExp(`(?:^|;\\s*)${COOKIE}=([\\w.-]{20,1000})`);
const YEAR_SECONDS = 366 * 86_400;

export const isJson = (request: Request): boolean => /json/i.test(request.headers.get('content-type') ?? '');

/** What was sent, by the names of the fields; at most 6,000 signs of each. @throws AppError input_unreadable, body_too_large */
export async function readSent(request: Request): Promise<FormValues> {
  const text = await readText(request, MOST_BYTES);
  let entries: [string, unknown][];
  if (isJson(request)) {
    let body: unknown;
    try {
      body = JSON.parse(text);
    } catch {
      throw new AppError('input_unreadable', 'The body is not JSON.');
    }
    entries = Object.entries(typeof body === 'object' && body !== null ? body : {});
  } else entries = [...new URLSearchParams(text)];
  return Object.fromEntries(
    entries
      .slice(0, 60)
      .flatMap(([name, value]) => (typeof value === 'string' ? [[name.slice(0, 60), value.slice(0, 6_000)]] : [])),
  );
}

export interface Come {
  visitor: Visitor;
  /** For somebody new: the cookie that brings them back. */
  cookie: string | null;
}

/** The visitor of a request that says or saves something; somebody new gets a token. */
export async function visitorOf(request: Request, accountId: string): Promise<Come> {
  const found = await knownVisitor(request, accountId);
  return found ? { visitor: found, cookie: null } : withCookie(await newVisitor(accountId));
}

/** The visitor of a request that only looks; of somebody new nothing is kept before they come back. */
export async function viewingVisitor(request: Request, step: Omit<VisitorStep, 'visitorId'>): Promise<Come> {
  const found = await knownVisitor(request, step.accountId);
  return found ? { visitor: found, cookie: null } : withCookie(await firstVisit(step));
}

function withCookie({ token, visitor }: { token: string; visitor: Visitor }): Come {
  const secure = config().publicUrl.startsWith('https:') ? '; Secure' : '';
  return { visitor, cookie: `${COOKIE}=${token}; Path=/p/; Max-Age=${YEAR_SECONDS}; HttpOnly; SameSite=Lax${secure}` };
}
export const knownVisitor = (request: Request, accountId: string): Promise<Visitor | null> =>
  findVisitor(accountId, VISITOR_COOKIE.exec(request.headers.get('cookie') ?? '')?.[1] ?? null);

/** The document of a page. `more` says what of it is shown. */
export function documentOf(
  request: Request,
  shown: Shown,
  more: Partial<PageContext> = {},
  { cookie = null, status = 200 }: { cookie?: string | null; status?: number } = {},
): Response {
  const { page, slug, door, brokerage, agents, listings } = shown;
  const text = pageDocument(page, {
    slug,
    name: door.name,
    brokerage,
    agents,
    listings,
    token: pageToken(shown),
    nonce: request.headers.get('x-nonce') ?? '',
    ...more,
  });
  return new Response(text, {
    status,
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'cache-control': 'no-store',
      ...(page.kind === 'sign_in' ? { 'x-keep': 'yes' } : {}),
      ...(cookie ? { 'set-cookie': cookie } : {}),
    },
  });
}

/** Answers with what the page of a slug is worth, or that there is none. */
export async function withPage(slug: string, answer: (shown: Shown) => Promise<Response>): Promise<Response> {
  try {
    return await answer(await openPage(slug));
  } catch (error) {
    if (error instanceof AppError && error.code === 'not_found')
      return plainPage(404, 'Page not found', 'It may have been taken down, or the address may be incomplete.');
    if (error instanceof AppError) return plainPage(error.code === 'too_many' ? 429 : 400, 'That didn’t work', error.message);
    log.error({ err: error }, 'unexpected failure');
    return plainPage(500, 'Something went wrong on our end', 'Please try again in a moment.');
  }
}

const FIELD_OF: Record<string, string> = {
  'person.emails.0': 'email',
  'person.phones.0': 'phone',
  person: 'phone',
  message: 'message',
  'place.city': 'city',
  'person.first_name': 'first_name',
  'person.last_name': 'last_name',
};

/** What was wrong with what was sent, beside its fields; what was typed stays. */
export function stateAfter(error: unknown, values: FormValues): FormState {
  const fail = (message: string, errors: Record<string, string> = {}): FormState => ({
    values,
    errors,
    message,
    thanked: false,
  });
  if (!(error instanceof AppError)) {
    log.error({ err: error }, 'unexpected failure');
    return fail('Something went wrong on our end. What you typed is still here. Please try again.');
  }
  const errors = Object.fromEntries(
    (error.facts.fields ?? []).map(({ field, message }) => [
      FIELD_OF[field] ?? 'message',
      field === 'person' ? 'Enter a phone number or an email address so we can reply' : message,
    ]),
  );
  return fail(Object.keys(errors).length ? 'Please fix the highlighted fields.' : error.message, errors);
}
