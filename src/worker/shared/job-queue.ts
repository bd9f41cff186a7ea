/** The queue of background jobs as this process works it, and the names under which it holds jobs: what liveness tells the others. */
import { EventEmitter } from 'node:events';
import { run, type Runner, type WorkerEvents } from 'graphile-worker';
import type { JobName, Jobs } from '@/core/shared';
import { quiet } from './quiet';

export type Handlers = { [Name in JobName]: (payload: Jobs[Name]) => Promise<void> };

/** @returns the runner, and the names that stand in `locked_by` of the jobs it holds (the pool's; those of its workers for good measure) */
export async function workQueue(
  databaseUrl: string,
  handlers: Partial<Handlers>,
): Promise<{ runner: Runner; holders: ReadonlySet<string> }> {
  const holders = new Set<string>();
  const events: WorkerEvents = new EventEmitter();
  events.on('pool:create', ({ workerPool }) => holders.add(workerPool.id));
  events.on('worker:create', ({ worker }) => holders.add(worker.workerId));
  const runner = await run({
    connectionString: databaseUrl,
    concurrency: 4,
    pollInterval: 1_000,
    noHandleSignals: true,
    events,
    taskList: Object.fromEntries(
      Object.entries(handlers).map(([name, handle]) => [
        name,
        (payload: unknown) => (handle as (payload: unknown) => Promise<void>)(payload),
      ]),
    ),
    logger: quiet(),
  });
  return { runner, holders };
}
