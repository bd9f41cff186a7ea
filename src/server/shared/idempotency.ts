/** Idempotency-Key for POSTs: the first call's answer is kept and given again; the same key with another body is refused. */
import { AppError } from '@/core/shared';
import { reader } from './db';
import { hashed } from './tokens';

export interface KeptReply {
  status: number;
  body: unknown;
}

/** A call that began and never ended within this time has died; its key may be used again. */
const DEAD_AFTER_SECONDS = 60;
const WAIT_MS = 100;

/**
 * Runs `work` once for a principal's key.
 * @throws AppError idempotency_mismatch for another body, idempotency_running when the first call does not end within ten seconds
 */
export async function once(principal: string, key: string, body: unknown, work: () => Promise<KeptReply>): Promise<KeptReply> {
  const fingerprint = hashed(JSON.stringify(body ?? null));
  for (let waited = 0; waited < 10_000; waited += WAIT_MS) {
    const begun = await reader().rows(
      `insert into idempotent_replies (principal, key, fingerprint) values ($1, $2, $3)
       on conflict (principal, key) do update set fingerprint = excluded.fingerprint, started_at = clock_timestamp()
         where idempotent_replies.status is null and idempotent_replies.started_at < clock_timestamp() - interval '${DEAD_AFTER_SECONDS} seconds' returning key`,
      [principal, key, fingerprint],
    );
    if (begun.length) return keep(principal, key, work);
    const before = await reader().first<{ same: boolean; status: number | null; body: unknown }>(
      'select fingerprint = $3 as same, status, body from idempotent_replies where principal = $1 and key = $2',
      [principal, key, fingerprint],
    );
    if (before && !before.same)
      throw new AppError(
        'idempotency_mismatch',
        'This Idempotency-Key was used with another body. Nothing was done; send it with a new key.',
      );
    if (before?.status) return { status: before.status, body: before.body };
    await new Promise((resolve) => setTimeout(resolve, WAIT_MS));
  }
  throw new AppError('idempotency_running', 'The first call with this Idempotency-Key is still under way. Ask again shortly.', {
    retry: true,
    retryAfterSeconds: 5,
  });
}

async function keep(principal: string, key: string, work: () => Promise<KeptReply>): Promise<KeptReply> {
  try {
    const reply = await work();
    await reader().run('update idempotent_replies set status = $3, body = $4::jsonb where principal = $1 and key = $2', [
      principal,
      key,
      reply.status,
      JSON.stringify(reply.body ?? null),
    ]);
    return reply;
  } catch (error) {
    await reader().run('delete from idempotent_replies where principal = $1 and key = $2 and status is null', [principal, key]);
    throw error;
  }
}
