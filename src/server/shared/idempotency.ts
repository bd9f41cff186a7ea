/**
 * Idempotency-Key for POSTs: the first call's answer is kept for a day and given again; the same key with anything else is refused. That
 * the work was done is written in the transaction that did it, so that a process that dies in between never does it twice.
 */
import { AppError } from '@/core/shared';
import { reader, withMark } from './db';
import { hashed } from './tokens';

export interface SavedReply {
  status: number;
  body: unknown;
}
export interface Once {
  principal: string;
  key: string;
  /** All that was sent but the bytes of a file: method, address with its question, type, body. */
  call: unknown;
  /** The bytes of a file: their digest, once they were read. */
  file?: () => Promise<Buffer>;
  /** The answer holds a secret that is shown once: it is not kept. */
  secret?: boolean;
}

/** A call that began, did nothing and never ended within this time has died; its key may be used again. */
const DEAD_AFTER_SECONDS = 60;
const WAIT_MS = 100;
/** In the clock's own words. */
const KEPT_FOR = '1 day';

const mismatch = (): AppError =>
  new AppError(
    'idempotency_mismatch',
    'This Idempotency-Key was used for another call. Nothing was done; send it with a new key.',
  );

interface Before {
  same: boolean;
  status: number | null;
  body: unknown;
  committed: boolean;
  sent: Buffer | null;
}

/**
 * Runs `work` once for a principal's key.
 * @throws AppError idempotency_mismatch for another call, idempotency_running when the first does not end within ten seconds, conflict
 *   when it was done and its answer cannot be given again
 */
export async function once(request: Once, work: () => Promise<SavedReply>): Promise<SavedReply> {
  const { principal, key } = request;
  const fingerprint = hashed(JSON.stringify(request.call ?? null));
  for (let waited = 0; waited < 10_000; waited += WAIT_MS) {
    const begun = await reader().rows(
      `insert into idempotent_replies (principal, key, fingerprint) values ($1, $2, $3)
       on conflict (principal, key) do update set fingerprint = excluded.fingerprint, started_at = clock_timestamp()
         where idempotent_replies.status is null and idempotent_replies.committed_at is null
           and idempotent_replies.started_at < clock_timestamp() - interval '${DEAD_AFTER_SECONDS} seconds' returning key`,
      [principal, key, fingerprint],
    );
    if (begun.length) return reserve(request, work);
    const before = await reader().first<Before>(
      'select fingerprint = $3 as same, status, body, committed_at is not null as committed, sent from idempotent_replies where principal = $1 and key = $2',
      [principal, key, fingerprint],
    );
    if (before && !before.same) throw mismatch();
    if (before?.status) return again(request, before);
    if (before?.committed && waited > 2_000)
      throw new AppError('conflict', 'The first call with this Idempotency-Key did this, but its response was lost.');
    await new Promise((resolve) => setTimeout(resolve, WAIT_MS));
  }
  throw new AppError('idempotency_running', 'The first call with this Idempotency-Key is still running. Try again shortly.', {
    retry: true,
    retryAfterSeconds: 5,
  });
}

/** The kept answer, for the same bytes. */
async function again({ file, secret }: Once, { status, body, sent }: Before): Promise<SavedReply> {
  if (file && !(await file()).equals(sent ?? Buffer.alloc(0))) throw mismatch();
  if (secret)
    throw new AppError('conflict', 'The first call did this. Its result is shown only once; create another if you need it.');
  return { status: status!, body };
}

async function reserve({ principal, key, file, secret }: Once, work: () => Promise<SavedReply>): Promise<SavedReply> {
  try {
    const reply = await withMark({ principal, key }, work);
    await reader().run(
      'update idempotent_replies set status = $3, body = $4::jsonb, sent = $5 where principal = $1 and key = $2',
      [principal, key, reply.status, secret ? null : JSON.stringify(reply.body ?? null), file ? await file() : null],
    );
    return reply;
  } catch (error) {
    await reader().run(
      'delete from idempotent_replies where principal = $1 and key = $2 and status is null and committed_at is null',
      [principal, key],
    );
    throw error;
  }
}

/** Forgets answers that are a day old. */
export const sweepReplies = (): Promise<void> =>
  reader().run(`delete from idempotent_replies where started_at < clock_timestamp() - interval '${KEPT_FOR}'`);
