/** The worker's process: pulse, job queue, mail door, heartbeat. Any number may run against one PostgreSQL. */
import { randomUUID } from 'node:crypto';
import { constants, setPriority } from 'node:os';
import pino from 'pino';
import { DUE_CHANNEL } from '@/core/shared';
import { sweepLoginFailures } from '@/server/accounts';
import { keyOfCall } from '@/server/calling';
import { performCampaignRehearsal } from '@/server/campaigns';
import { checkRegistry } from '@/server/contacts';
import { failChange, performChange, performUndo } from '@/server/changes';
import { failExport } from '@/server/exports';
import { failImport } from '@/server/imports';
import { findDuplicates } from '@/server/duplicates';
import { mailExport } from './exports/mail';
import { performExport } from './exports/run';
import { scanImport } from './imports/scan';
import { performImport, performImportUndo } from './imports/run';
import { tellAgent } from './routing/agent-alert';
import { rehearse } from './routing/rehearse';
import { orFailCampaignRehearsal, orFailChange, orFailExport, orFailImport, orFailScan } from './shared/or-fail';
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
  readyToRead,
  stopReading,
  sweepRates,
  sweepReplies,
} from '@/server/shared';
import { printBroadcast } from './broadcasts/print';
import { mailDoor } from './messages/mail-door';
import { handTrial } from './messages/trial';
import { connectProviders as makeOutside } from './shared/providers';
import { carryOutRound, startPulse } from './shared/pulse';
import { workerSettings } from './shared/settings';
import { workQueue, type Handlers } from './shared/job-queue';
import { performAdvance, syncSimulator } from './simulation/advance';

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

async function main(): Promise<void> {
  /* On a machine that is full, whoever waits for an answer of the web comes first. */
  setPriority(constants.priority.PRIORITY_BELOW_NORMAL);
  const settings = workerSettings();
  const processId = `worker-${randomUUID()}`;
  const outside = makeOutside(settings);
  await migrate();
  await readyToRead();
  let going = true;

  const handlers: Handlers = {
    'simulation.advance': ({ advanceId }) => performAdvance(advanceId, processId, outside),
    'calling.hangUp': async ({ callId }) => {
      const key = await keyOfCall(callId);
      const answer = key ? await outside.voice.hangUp(key) : null;
      if (answer?.result === 'later') throw new Error(answer.fault);
    },
    'imports.look': ({ importId }) => orFailImport(importId, () => scanImport(importId)),
    'imports.run': ({ importId }) => orFailImport(importId, () => performImport(importId, () => going)),
    'imports.undo': ({ importId }) => orFailImport(importId, () => performImportUndo(importId, () => going)),
    'exports.run': ({ exportId }) => orFailExport(exportId, () => performExport(exportId)),
    'exports.mail': ({ exportId }) => mailExport(exportId, outside),
    'duplicates.find': ({ accountId }) => orFailScan(accountId, () => findDuplicates(accountId)),
    'changes.run': ({ changeId }) => orFailChange(changeId, () => performChange(changeId, () => going)),
    'routing.notice': ({ noticeId }) => tellAgent(noticeId, outside),
    'messages.try': (job) => handTrial(job, outside),
    'broadcasts.print': ({ broadcastId, what }) => printBroadcast(broadcastId, what),
    'campaigns.rehearse': ({ rehearsalId }) =>
      orFailCampaignRehearsal(rehearsalId, () => performCampaignRehearsal(rehearsalId, () => going)),
    'routing.rehearse': ({ rehearsalId }) => rehearse(rehearsalId, () => going),
    'changes.undo': ({ changeId }) => orFailChange(changeId, () => performUndo(changeId, () => going)),
  };
  const queue = await workQueue(config().databaseUrl, handlers, {
    complain,
    giveUp: {
      'imports.look': ({ importId }, error) => failImport(importId, error),
      'imports.run': ({ importId }, error) => failImport(importId, error),
      'imports.undo': ({ importId }, error) => failImport(importId, error),
      'exports.run': ({ exportId }, error) => failExport(exportId, error),
      'changes.run': ({ changeId }, error) => failChange(changeId, error),
      'changes.undo': ({ changeId }, error) => failChange(changeId, error),
    },
  });

  const pulse = startPulse(() => carryOutRound(processId, outside), settings.WORKER_PULSE_MS, complain);
  const wake = listen(
    DUE_CHANNEL,
    () => pulse.wake(),
    () => pulse.wake(),
  );

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
  const heart = setInterval(() => void live().catch((error) => complain('no heartbeat', error)), BEAT_MS);
  const registry = setInterval(
    () => void checkRegistry(REGISTRY_BATCH, (numbers) => outside.registry.registered(numbers)).catch(() => {}),
    REGISTRY_MS,
  );
  const broom = setInterval(() => {
    void sweepRates().catch(() => {});
    void sweepReplies().catch(() => {});
    void sweepLoginFailures().catch(() => {});
    void sweepVisitors().catch(() => {});
  }, 3_600_000);
  pulse.wake();

  const door = mailDoor(complain);
  door.on('error', (error: Error) => complain('the mail door', error));
  if (settings.MAIL_DOOR_PORT) door.listen(settings.MAIL_DOOR_PORT, settings.MAIL_DOOR_HOST);

  const stop = async () => {
    if (!going) return;
    going = false;
    clearInterval(heart);
    clearInterval(broom);
    clearInterval(registry);
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
