/** Which processes live: each says so every two seconds, on real time. Health and the leases of the outbox read it. */
import { reader } from './db';

export const BEAT_MS = 2_000;

export const beat = (id: string, kind: string, detail: object = {}): Promise<void> =>
  reader().run(
    `insert into processes (id, kind, detail) values ($1, $2, $3::jsonb) on conflict (id) do update set seen_at = clock_timestamp(), detail = excluded.detail`,
    [id, kind, JSON.stringify(detail)],
  );

export const leave = (id: string): Promise<void> => reader().run('delete from processes where id = $1', [id]);

export interface ProcessState {
  kind: string;
  alive: number;
  detail: Record<string, unknown> | null;
}

/** Processes of each kind seen within the last ten seconds; forgets those gone for an hour. */
export async function readProcesses(): Promise<ProcessState[]> {
  await reader().run(`delete from processes where seen_at < clock_timestamp() - interval '1 hour'`);
  return reader().rows<ProcessState>(
    `select kind, count(*) filter (where seen_at > clock_timestamp() - interval '10 seconds')::int as alive, (array_agg(detail order by seen_at desc))[1] as detail from processes group by kind order by kind`,
  );
}
