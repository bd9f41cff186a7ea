/** Errors as RFC 9457 problem+json: an exhaustive table from our codes to HTTP, and what is not ours kept from people. */
import { AppError, type ErrorCode } from '@/core/shared';
import { log } from './log';

export const STATUS: Record<ErrorCode, number> = {
  input_invalid: 422,
  input_unreadable: 400,
  reading_failed: 422,
  body_too_large: 413,
  login_required: 401,
  login_wrong: 401,
  second_step_required: 403,
  password_required: 403,
  key_invalid: 401,
  scope_missing: 403,
  not_allowed: 403,
  cross_site: 403,
  not_found: 404,
  conflict: 409,
  idempotency_mismatch: 422,
  idempotency_running: 409,
  too_many: 429,
  touch_refused: 409,
  not_simulated: 409,
  advance_failed: 503,
  signature_invalid: 401,
  unavailable: 503,
  internal: 500,
};

const TITLES: Partial<Record<ErrorCode, string>> = {
  input_invalid: 'Check your input',
  internal: 'Something went wrong on our end',
  touch_refused: 'Not allowed by your guardrails',
};

/** The response for whatever was thrown. An error that is not ours is logged and told as `internal`. */
export function problem(error: unknown): Response {
  const known =
    error instanceof AppError
      ? error
      : new AppError(
          'internal',
          'Something went wrong on our end. Nothing was saved. Try again, and tell an admin if it keeps happening.',
        );
  if (known !== error) log.error({ err: error }, 'unexpected failure');
  const { code, message, facts } = known;
  const headers: Record<string, string> = { 'content-type': 'application/problem+json', 'cache-control': 'no-store' };
  if (facts.retryAfterSeconds) headers['retry-after'] = String(facts.retryAfterSeconds);
  if (code === 'key_invalid' || code === 'login_required') headers['www-authenticate'] = 'Bearer';
  const body = {
    type: `https://urraca.example/problems/${code}`,
    title: TITLES[code] ?? code.replaceAll('_', ' '),
    status: STATUS[code],
    detail: message,
    code,
    ...(facts.fields ? { errors: facts.fields } : {}),
    ...(facts.retry ? { retry: true } : {}),
  };
  return new Response(JSON.stringify(body), { status: STATUS[code], headers });
}
