/** What the worker does for each background job, and what becomes of a job that ended its process again and again. */
import { keyOfCall } from '@/server/calling';
import { performCampaignRehearsal } from '@/server/campaigns';
import { failChange, performChange, performUndo } from '@/server/changes';
import { findDuplicates } from '@/server/duplicates';
import { failExport } from '@/server/exports';
import { failImport } from '@/server/imports';
import { mailInvitation } from './accounts/invite';
import { checkMail } from './accounts/mail-check';
import { mailReset, mailUser } from './accounts/login-mail';
import { printBroadcast } from './broadcasts/print';
import { mailExport } from './exports/mail';
import { performExport } from './exports/run';
import { performImport, performImportUndo } from './imports/run';
import { scanImport } from './imports/scan';
import { deliver } from './webhooks/deliver';
import { handTrial } from './messages/trial';
import { tellAgent } from './routing/agent-alert';
import { rehearse } from './routing/rehearse';
import type { Endings, Handlers } from './shared/job-queue';
import { orFailCampaignRehearsal, orFailChange, orFailExport, orFailImport, orFailScan } from './shared/or-fail';
import type { Providers } from './shared/providers';
import { performAdvance } from './simulation/advance';

/** @param goesOn false when the process is to end: what can be gone on with later stops */
export const handlersOf = (processId: string, outside: Providers, goesOn: () => boolean): Handlers => ({
  'simulation.advance': ({ advanceId }) => performAdvance(advanceId, processId, outside),
  'calling.hangUp': async ({ callId }) => {
    const key = await keyOfCall(callId);
    const answer = key ? await outside.voice.hangUp(key) : null;
    if (answer?.result === 'later') throw new Error(answer.error);
  },
  'imports.look': ({ importId }) => orFailImport(importId, () => scanImport(importId)),
  'imports.run': ({ importId }) => orFailImport(importId, () => performImport(importId, goesOn)),
  'imports.undo': ({ importId }) => orFailImport(importId, () => performImportUndo(importId, goesOn)),
  'exports.run': ({ exportId }) => orFailExport(exportId, () => performExport(exportId)),
  'exports.mail': ({ exportId }) => mailExport(exportId, outside),
  'duplicates.find': ({ accountId }) => orFailScan(accountId, () => findDuplicates(accountId)),
  'changes.run': ({ changeId }) => orFailChange(changeId, () => performChange(changeId, goesOn)),
  'routing.notice': ({ noticeId }) => tellAgent(noticeId, outside),
  'accounts.mail': (job) => mailUser(job, outside),
  'accounts.invite': (job) => mailInvitation(job, outside),
  'accounts.mail_check': (job) => checkMail(job, outside),
  'accounts.reset': (job) => mailReset(job, outside),
  'messages.try': (job) => handTrial(job, outside),
  'broadcasts.print': ({ broadcastId, what }) => printBroadcast(broadcastId, what),
  'webhooks.deliver': ({ deliveryId }) => deliver(deliveryId),
  'campaigns.rehearse': ({ rehearsalId }) =>
    orFailCampaignRehearsal(rehearsalId, () => performCampaignRehearsal(rehearsalId, goesOn)),
  'routing.rehearse': ({ rehearsalId }) => rehearse(rehearsalId, goesOn),
  'changes.undo': ({ changeId }) => orFailChange(changeId, () => performUndo(changeId, goesOn)),
});

export const GIVE_UP: Endings = {
  'imports.look': ({ importId }, error) => failImport(importId, error),
  'imports.run': ({ importId }, error) => failImport(importId, error),
  'imports.undo': ({ importId }, error) => failImport(importId, error),
  'exports.run': ({ exportId }, error) => failExport(exportId, error),
  'changes.run': ({ changeId }, error) => failChange(changeId, error),
  'changes.undo': ({ changeId }, error) => failChange(changeId, error),
};
