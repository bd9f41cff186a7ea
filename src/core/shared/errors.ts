/**
 * The closed list of failures that a caller must handle, and the one class that carries them.
 * HTTP statuses are mapped from these codes in src/app/_http; wording for people is here, so that every door says the same.
 */
export const ERROR_CODES = [
  'input_invalid',
  'input_unreadable',
  'reading_failed',
  'body_too_large',
  'login_required',
  'login_wrong',
  'second_step_required',
  'password_required',
  'key_invalid',
  'scope_missing',
  'not_allowed',
  'cross_site',
  'not_found',
  'conflict',
  'idempotency_mismatch',
  'idempotency_running',
  'too_many',
  'touch_refused',
  'not_simulated',
  'advance_failed',
  'signature_invalid',
  'unavailable',
  'internal',
] as const;
/** The code of an error, of one closed list. */
export type ErrorCode = (typeof ERROR_CODES)[number];

/** One thing wrong with one field of the input; `field` is a dotted path such as `person.emails.0`. */
export interface FieldError {
  field: string;
  message: string;
}

/**
 * A failure with a stable code. `message` is a sentence for people: what happened, what was kept, what to do.
 * `retry` says whether the same call may succeed later without being changed.
 */
export class AppError extends Error {
  constructor(
    readonly code: ErrorCode,
    message: string,
    readonly facts: { fields?: FieldError[]; retry?: boolean; retryAfterSeconds?: number } = {},
    cause?: unknown,
  ) {
    super(message, { cause });
    this.name = 'AppError';
  }
}

/** The error for a row that is not there or that this person may not see: the two are never told apart. */
export const notFound = (thing: string): AppError =>
  new AppError('not_found', `There is no such ${thing}, or you may not see it.`);
