/** Asking for background work: a job of the registry's queue (graphile-worker), added in the caller's transaction, so that it exists exactly when the change does. */
import type { JobName, Jobs } from '@/core/shared';
import { reader, type Tx } from './db';

/** Jobs of which one runs at a time over all workers. */
const SERIAL = new Set<JobName>(['simulation.advance']);

/**
 * @param key a job with the same key that has not begun is replaced instead of doubled
 * @param runAt not before, on real time
 * @param inTurn the name of a line in which one job runs at a time, over all workers
 */
export const enqueue = <Name extends JobName>(
  tx: Tx,
  job: Name,
  payload: Jobs[Name],
  { key, inTurn, runAt }: { key?: string; inTurn?: string; runAt?: Date } = {},
): Promise<void> =>
  tx.run(
    'select graphile_worker.add_job($1, payload := $2::json, job_key := $3, max_attempts := 5, queue_name := $4, run_at := $5)',
    [job, JSON.stringify(payload), key ?? null, inTurn ?? (SERIAL.has(job) ? job : null), runAt ?? null],
  );

/** The same for several at once, in one statement. @param keyOf a job of the same key is there once */
export const enqueueAll = <Name extends JobName>(
  tx: Tx,
  job: Name,
  payloads: Jobs[Name][],
  keyOf?: (payload: Jobs[Name]) => string,
): Promise<void> =>
  tx.run(
    `select graphile_worker.add_job($1, payload := (p -> 'payload')::json, job_key := p ->> 'key', max_attempts := 5)
     from jsonb_array_elements($2::jsonb) p`,
    [job, JSON.stringify(payloads.map((payload) => ({ payload, key: keyOf?.(payload) ?? null })))],
  );

/**
 * Frees jobs that this process holds and does not do: their end could not be said because PostgreSQL was away at that moment.
 * @param holders the names it holds jobs by
 * @param atWork the ids of the jobs that it does
 */
export const freeLostJobs = (holders: Iterable<string>, atWork: Iterable<string>): Promise<void> =>
  reader().run(
    `with lost as (
       update graphile_worker._private_jobs set locked_at = null, locked_by = null
       where locked_by = any($1::text[]) and locked_at < clock_timestamp() - interval '10 seconds' and id <> all($2::bigint[]) returning job_queue_id)
     update graphile_worker._private_job_queues set locked_at = null, locked_by = null where id in (select job_queue_id from lost)`,
    [[...holders], [...atWork]],
  );

/** Frees jobs that a worker held when it died (kill -9), so that another takes them at once and not after the queue's own four hours. */
export const freeDeadJobs = (): Promise<void> =>
  reader().run(
    `select graphile_worker.force_unlock_workers(array_agg(distinct locked_by)) from graphile_worker._private_jobs
     where locked_by is not null and locked_at < clock_timestamp() - interval '10 seconds' and locked_by not in (
       select jsonb_array_elements_text(detail->'jobHolders') from processes where kind = 'worker' and seen_at > clock_timestamp() - interval '10 seconds')
     having count(*) > 0`,
  );
