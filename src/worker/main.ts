/** The worker's process: pulse, job queue, mail door, heartbeat. Any number may run against one PostgreSQL. */
import { randomUUID } from 'node:crypto';
import { constants, setPriority } from 'node:os';
import pino from 'pino';
import { DUE_CHANNEL } from '@/core/shared';
import { sweepChallenges, sweepDevices, sweepLoginFailures, sweepResets } from '@/server/accounts';
import { sweepDeliveries } from '@/server/webhooks';
import { checkRegistry } from '@/server/contacts';
import { releaseConnected } from '@/server/messages';
import { sweepVisitors } from '@/server/pages';
import {
  BEAT_MS,
  beat,
  closeDb,
  config,
  freeDeadJobs,
  freeLostJobs,
  isLost,
  leave,
  listen,
  markClock,
  migrate,
  now,
  readyToRead,
  stopReading,
  sweepRates,
  sweepReplies,
} from '@/server/shared';
import { mailDoor } from './messages/mail-door';
import { connectProviders as makeOutside, type Providers } from './shared/providers';
import { carryOutRound, startPulse } from './shared/pulse';
import { workQueue, type Queue } from './shared/job-queue';
import { GIVE_UP, handlersOf } from './handlers';
import { syncSimulator } from './simulation/advance';

/** A number that just came in may be dialed as soon as it was asked about. */
const REGISTRY_BATCH = 500;
const REGISTRY_MS = 5_000;

const log = pino({ name: 'worker', level: process.env.LOG_LEVEL ?? 'warn' });
const complain = (message: string, error: unknown) => log.error({ err: error }, message);

/**
 * A connection that breaks in the middle of something rejects where nobody waits for it (the queue's own clients do): that is no fault of
 * this process. Anything else is, and whoever started it starts another.
 */
process.on('unhandledRejection', (error) => {
  if (isLost(error)) return complain('a connection to PostgreSQL broke', error);
  log.fatal({ err: error }, 'an unhandled rejection');
  process.exit(1);
});
process.on('uncaughtException', (error) => {
  if (isLost(error)) return complain('a connection to PostgreSQL broke', error);
  log.fatal({ err: error }, 'an uncaught exception');
  process.exit(1);
});

/** Heartbeat, registry and broom. */
async function startTimers(processId: string, queue: Queue, outside: Providers): Promise<NodeJS.Timeout[]> {
  const live = async () => {
    await beat(processId, 'worker', { jobHolders: [...queue.holders] });
    await freeDeadJobs();
    await freeLostJobs(queue.holders, queue.atWork);
    if (config().clock === 'simulated') {
      await markClock();
      await syncSimulator(outside).catch(() => {});
    }
  };
  await live();
  const ask = () => checkRegistry(REGISTRY_BATCH, (numbers) => outside.registry.registered(numbers)).catch(() => {});
  const sweep = () => {
    for (const one of [
      sweepRates,
      sweepReplies,
      sweepLoginFailures,
      sweepResets,
      sweepChallenges,
      sweepDevices,
      sweepDeliveries,
      sweepVisitors,
    ])
      void one().catch(() => {});
  };
  return [
    setInterval(() => void live().catch((error) => complain('no heartbeat', error)), BEAT_MS),
    setInterval(() => void ask(), REGISTRY_MS),
    setInterval(sweep, 3_600_000),
  ];
}

async function main(): Promise<void> {
  /* On a machine that is full, whoever waits for an answer of the web comes first. */
  setPriority(constants.priority.PRIORITY_BELOW_NORMAL);
  const { mailDoor: doorAt, pulseMs } = config();
  const processId = `worker-${randomUUID()}`;
  const outside = makeOutside();
  await migrate();
  await readyToRead();
  await releaseConnected(null, await now());
  let going = true;

  const queue = await workQueue(
    config().databaseUrl,
    handlersOf(processId, outside, () => going),
    { complain, giveUp: GIVE_UP },
  );

  const pulse = startPulse(() => carryOutRound(processId, outside), pulseMs, complain);
  const wake = listen(
    DUE_CHANNEL,
    () => pulse.wake(),
    () => pulse.wake(),
  );

  const timers = await startTimers(processId, queue, outside);
  pulse.wake();

  const door = mailDoor(complain);
  door.on('error', (error: Error) => complain('the mail door', error));
  if (doorAt.port) door.listen(doorAt.port, doorAt.host);

  const stop = async () => {
    if (!going) return;
    going = false;
    timers.forEach(clearInterval);
    setTimeout(() => process.exit(0), 8_000).unref();
    door.close(() => {});
    await Promise.allSettled([pulse.stop(), queue.stop(), wake.stop()]);
    if (config().clock === 'simulated') await markClock().catch(() => {});
    await leave(processId).catch(() => {});
    await stopReading();
    outside.mail.close();
    await closeDb();
    process.exit(0);
  };
  process.on('SIGTERM', () => void stop());
  process.on('SIGINT', () => void stop());
  console.log('worker ready');
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
