/**
 * The queue of background jobs as this process works it, and the names under which it holds jobs: what liveness tells the others. When
 * PostgreSQL goes away under it, it waits and begins again; a job whose process died again and again is given up.
 */
import { EventEmitter } from 'node:events';
import { run, type JobHelpers, type Runner, type WorkerEvents } from 'graphile-worker';
import { AppError, type JobName, type Jobs } from '@/core/shared';
import { quiet } from './queue-log';

export type Handlers = { [Name in JobName]: (payload: Jobs[Name]) => Promise<void> };

export interface Queue {
  /** The names that stand in `locked_by` of the jobs it holds (the pool's; those of its workers for good measure). */
  holders: ReadonlySet<string>;
  /** The ids of the jobs that are being done, or were until a moment ago. */
  atWork: ReadonlySet<string>;
  stop: () => Promise<void>;
}

/** So long the end of a job may take to be said. */
const ENDING_MS = 10_000;
const FIRST_WAIT_MS = 500;
const LONGEST_WAIT_MS = 15_000;
/** A job that was begun so often and never said how it ended took its process with it each time. */
const MOST_DEATHS = 3;

/** Whether a job ended its process whenever it was tried. */
export const isDeadly = ({ attempts, last_error }: Pick<JobHelpers['job'], 'attempts' | 'last_error'>): boolean =>
  attempts > MOST_DEATHS && !last_error;

/** What becomes of jobs that ended their process whenever they were tried. */
export type Endings = Partial<{ [Name in JobName]: (payload: Jobs[Name], error: string) => Promise<void> }>;

const abandon = async (giveUp: Endings, name: JobName, payload: unknown): Promise<void> => {
  const end = giveUp[name] as ((payload: unknown, error: string) => Promise<void>) | undefined;
  const error = 'This stopped the program each time it was tried, so it isn’t tried again.';
  if (!end) throw new AppError('internal', error);
  return end(payload, error);
};

type Task = (payload: unknown, helpers: JobHelpers) => Promise<void>;
/** The tasks of the queue: each job is known to be at work until a moment after its end. */
const tasksOf = (handlers: Partial<Handlers>, giveUp: Endings, atWork: Set<string>): Record<string, Task> =>
  Object.fromEntries(
    Object.entries(handlers).map(([name, handle]): [string, Task] => [
      name,
      async (payload, { job }) => {
        atWork.add(job.id);
        try {
          await (isDeadly(job)
            ? abandon(giveUp, name as JobName, payload)
            : (handle as (payload: unknown) => Promise<void>)(payload));
        } finally {
          setTimeout(() => atWork.delete(job.id), ENDING_MS).unref();
        }
      },
    ]),
  );

/** @param giveUp what becomes of a job that ended its process whenever it was tried */
export async function workQueue(
  databaseUrl: string,
  handlers: Partial<Handlers>,
  { complain = () => {}, giveUp = {} }: { complain?: (message: string, error: unknown) => void; giveUp?: Endings } = {},
): Promise<Queue> {
  const holders = new Set<string>();
  const atWork = new Set<string>();
  let stopping = false;
  let runner: Runner;
  const begin = (): Promise<Runner> => {
    const events: WorkerEvents = new EventEmitter();
    events.on('pool:create', ({ workerPool }) => holders.add(workerPool.id));
    events.on('worker:create', ({ worker }) => holders.add(worker.workerId));
    return run({
      connectionString: databaseUrl,
      concurrency: 4,
      pollInterval: 1_000,
      noHandleSignals: true,
      events,
      taskList: tasksOf(handlers, giveUp, atWork),
      logger: quiet(),
    });
  };
  runner = await begin();
  /** The runner ends when its connections do; another takes its place as soon as PostgreSQL answers. */
  const watch = async (): Promise<void> => {
    while (!stopping) {
      await runner.promise.catch((error: unknown) => complain('the queue lost PostgreSQL', error));
      for (let wait = FIRST_WAIT_MS; !stopping; wait = Math.min(LONGEST_WAIT_MS, wait * 2)) {
        await new Promise((resolve) => setTimeout(resolve, wait));
        const next = await begin().catch(() => null);
        if (!next) continue;
        runner = next;
        break;
      }
    }
  };
  void watch();
  return {
    holders,
    atWork,
    stop: async () => {
      stopping = true;
      await runner.stop().catch(() => {});
    },
  };
}
