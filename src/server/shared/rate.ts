/** Limits in rate, kept in PostgreSQL so that they hold over any number of web processes. On real time. */
import { AppError } from '@/core/shared';
import { reader } from './db';

/** Counts one hit. @throws AppError too_many when a bucket has had more than `most` within the window. */
export async function limitRate(bucket: string, most: number, windowSeconds: number): Promise<void> {
  const row = await reader().first<{ hits: number; left: number }>(
    `insert into rate_hits (bucket, window_start) values ($1, to_timestamp(floor(extract(epoch from clock_timestamp()) / $2::int) * $2::int))
     on conflict (bucket, window_start) do update set hits = rate_hits.hits + 1
     returning hits, ceil(extract(epoch from window_start) + $2::int - extract(epoch from clock_timestamp()))::int as left`,
    [bucket, windowSeconds],
  );
  if (row && row.hits > most) {
    throw new AppError('too_many', `Too many requests. Wait ${Math.max(1, row.left)} seconds and try again.`, {
      retry: true,
      retryAfterSeconds: Math.max(1, row.left),
    });
  }
}

/** Forgets windows that are over. */
export const sweepRates = (): Promise<void> =>
  reader().run(`delete from rate_hits where window_start < clock_timestamp() - interval '1 day'`);
