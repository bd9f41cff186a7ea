/** The operations of the database as a whole: duplicates, households, calendars, files in and out, changes of many. */
import Joi from 'joi';
import { changeSchema, selectionSchema } from '@/core/changes/schemas';
import { questionSchema } from '@/core/segments/schemas';
import { importPatchSchema } from '@/core/imports/schemas';
import { EVERY, EXPORT_FORMATS, SHEETS } from '@/core/exports';
import { MERGE_FIELDS } from '@/core/duplicates';
import type { ChangePreview, SelectionTag, ChangeView } from '@/core/changes';
import type { ContactView } from '@/core/contacts';
import type { ExportView, ScheduleView } from '@/core/exports';
import type { ImportView } from '@/core/imports';
import type { DuplicateScanView, MergeView, PairView } from '@/core/duplicates';
import type { FeedView } from '@/server/calendar';
import { answer, nothing, type Download, type Operation } from './operation';
import { limit, id } from './parts';

const pair = Joi.object({ one_id: id.required(), other_id: id.required() });
const exportOptions = Joi.object({
  sheet: Joi.string().valid(...(Object.keys(SHEETS) as (keyof typeof SHEETS)[])),
  start: Joi.number().integer().min(0).max(29),
  per_household: Joi.boolean(),
}).default({});
const asked = Joi.object({ selection: selectionSchema.required(), change: changeSchema.required() });

export const DATABASE_OPERATIONS = {
  getDuplicateScan: {
    method: 'GET',
    path: '/duplicates/scan',
    was: '/duplicates/look',
    summary: 'When duplicates were last looked for, and how many pairs wait',
    scope: 'contacts:read',
    answer: answer<DuplicateScanView>(),
  },
  startDuplicateScan: {
    method: 'POST',
    path: '/duplicates/scan',
    was: '/duplicates/look',
    summary: 'Look for people who stand in the database twice',
    scope: 'contacts:write',
    answer: answer<DuplicateScanView>(),
  },
  listDuplicates: {
    method: 'GET',
    path: '/duplicates',
    summary: 'Pairs that may be one person, the surest first, with the reasons',
    scope: 'contacts:write',
    query: Joi.object({ limit }),
    answer: answer<{ items: PairView[] }>(),
  },
  declareDifferent: {
    method: 'POST',
    path: '/duplicates/different',
    summary: 'Say that two are two people',
    scope: 'contacts:write',
    body: pair,
    answer: nothing,
  },
  mergeContacts: {
    method: 'POST',
    path: '/contacts/{id}/merge',
    summary: 'Merge another contact into this one; it can be taken apart again',
    scope: 'contacts:write',
    body: Joi.object({
      other_id: id.required(),
      choices: Joi.object(Object.fromEntries(MERGE_FIELDS.map((field) => [field, Joi.string().valid('kept', 'gone')]))).default(
        {},
      ),
    }),
    answer: answer<ContactView & { merge_id: string }>(),
  },
  listMerges: {
    method: 'GET',
    path: '/contacts/{id}/merges',
    summary: 'Merges of a contact that can be taken apart',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ items: MergeView[] }>(),
  },
  undoMerge: {
    method: 'POST',
    path: '/merges/{id}/undo',
    summary: 'Take two contacts apart again',
    scope: 'contacts:write',
    answer: nothing,
  },
  joinHousehold: {
    method: 'PUT',
    path: '/contacts/{id}/household',
    summary: 'Say that two share a household',
    scope: 'contacts:write',
    body: Joi.object({ other_id: id.required() }),
    answer: nothing,
  },
  leaveHousehold: {
    method: 'DELETE',
    path: '/contacts/{id}/household',
    summary: 'Take somebody out of their household',
    scope: 'contacts:write',
    answer: nothing,
  },
  getFeed: {
    method: 'GET',
    path: '/calendar',
    summary: 'Whether one’s calendar address holds, and when it was read',
    scope: 'contacts:read',
    only: 'user',
    answer: answer<{ feed: FeedView | null }>(),
  },
  createFeed: {
    method: 'POST',
    secret: true,
    path: '/calendar',
    summary: 'Make a secret calendar address of important dates; shown once, the one before stops',
    scope: 'contacts:read',
    only: 'user',
    answer: answer<{ url: string }>(),
  },
  revokeFeed: {
    method: 'DELETE',
    path: '/calendar',
    summary: 'Revoke one’s calendar address',
    scope: 'contacts:read',
    only: 'user',
    answer: nothing,
  },
  createExport: {
    method: 'POST',
    path: '/exports',
    summary:
      'Write contacts to a file in the background: CSV, XLSX or vCard 4.0; or address labels and cards with a QR code as PDF',
    scope: 'contacts:write',
    reads: true,
    body: Joi.object({
      format: Joi.string()
        .valid(...EXPORT_FORMATS)
        .required(),
      selection: selectionSchema.required(),
      options: exportOptions,
      email: Joi.boolean().default(false),
    }),
    answer: answer<ExportView>(),
  },
  listSchedules: {
    method: 'GET',
    path: '/export-schedules',
    summary: 'Exports that come back by themselves, the next first',
    scope: 'contacts:write',
    answer: answer<{ items: ScheduleView[] }>(),
  },
  createSchedule: {
    method: 'POST',
    path: '/export-schedules',
    summary: 'Let an export come back: every day, week or month, as a file and by email to whoever asks',
    scope: 'contacts:write',
    reads: true,
    only: 'user',
    body: Joi.object({
      name: Joi.string().min(1).max(80).required(),
      format: Joi.string()
        .valid(...EXPORT_FORMATS)
        .required(),
      options: exportOptions,
      question: questionSchema.required(),
      every: Joi.string()
        .valid(...EVERY)
        .required(),
      day: Joi.number()
        .integer()
        .min(1)
        .max(31)
        .default(1)
        .when('every', { is: 'week', then: Joi.number().max(7) }),
      at: Joi.string()
        .pattern(/^([01]\d|2[0-3]):[0-5]\d$/)
        .required(),
      email: Joi.boolean().default(true),
    }),
    answer: answer<ScheduleView>(),
  },
  deleteSchedule: {
    method: 'DELETE',
    path: '/export-schedules/{id}',
    summary: 'Let an export come back no more',
    scope: 'contacts:write',
    answer: nothing,
  },
  listExports: {
    method: 'GET',
    path: '/exports',
    summary: 'Exports of the last week',
    scope: 'contacts:write',
    query: Joi.object({ limit }),
    answer: answer<{ items: ExportView[] }>(),
  },
  getExport: {
    method: 'GET',
    path: '/exports/{id}',
    summary: 'How far an export is',
    scope: 'contacts:write',
    answer: answer<ExportView>(),
  },
  getExportFile: {
    method: 'GET',
    path: '/exports/{id}/file',
    summary: 'The file of an export',
    scope: 'contacts:write',
    answer: answer<Download>(),
  },
  createImport: {
    method: 'POST',
    path: '/imports',
    summary: 'Send a file of contacts (CSV, XLSX, ODS, vCard) as the body; it is looked through in the background',
    scope: 'contacts:write',
    file: true,
    query: Joi.object({ name: Joi.string().min(1).max(200).required() }),
    answer: answer<ImportView>(),
  },
  listImports: {
    method: 'GET',
    path: '/imports',
    summary: 'Imports, the latest first',
    scope: 'contacts:write',
    query: Joi.object({ limit }),
    answer: answer<{ items: Omit<ImportView, 'columns' | 'look'>[] }>(),
  },
  getImport: {
    method: 'GET',
    path: '/imports/{id}',
    summary: 'What was read in a file, the first contacts as they will be, and its progress',
    scope: 'contacts:write',
    answer: answer<ImportView>(),
  },
  updateImport: {
    method: 'PATCH',
    path: '/imports/{id}',
    summary: 'Correct what columns mean, or choose what happens to people who are here already',
    scope: 'contacts:write',
    body: importPatchSchema,
    answer: answer<ImportView>(),
  },
  startImport: {
    method: 'POST',
    path: '/imports/{id}/start',
    summary: 'Take the people of the file in',
    scope: 'contacts:write',
    answer: answer<ImportView>(),
  },
  cancelImport: {
    method: 'POST',
    path: '/imports/{id}/cancel',
    summary: 'Stop an import; what is in stays in',
    scope: 'contacts:write',
    answer: answer<ImportView>(),
  },
  undoImport: {
    method: 'POST',
    path: '/imports/{id}/undo',
    summary: 'Take a whole import back',
    scope: 'contacts:write',
    answer: answer<ImportView>(),
  },
  getSkippedRows: {
    method: 'GET',
    path: '/imports/{id}/skipped',
    was: '/imports/{id}/left',
    summary: 'What was not taken, as CSV with the reasons, to mend and import again',
    scope: 'contacts:write',
    answer: answer<Download>(),
  },
  tagsOfSelection: {
    method: 'POST',
    path: '/changes/tags',
    summary: 'The tags that selected contacts have, with how many of them have each',
    scope: 'contacts:read',
    reads: true,
    body: Joi.object({ selection: selectionSchema.required() }),
    answer: answer<{ items: SelectionTag[] }>(),
  },
  previewChange: {
    method: 'POST',
    path: '/changes/preview',
    summary: 'What a change of many would do, and whom it would leave alone and why',
    scope: 'contacts:write',
    reads: true,
    body: asked,
    answer: answer<ChangePreview>(),
  },
  createChange: {
    method: 'POST',
    path: '/changes',
    summary: 'Change many contacts in the background; the answer is the change to watch',
    scope: 'contacts:write',
    body: asked,
    answer: answer<ChangeView>(),
  },
  listChanges: {
    method: 'GET',
    path: '/changes',
    summary: 'The history of changes of many, the latest first',
    scope: 'contacts:write',
    query: Joi.object({ limit }),
    answer: answer<{ items: ChangeView[] }>(),
  },
  getChange: {
    method: 'GET',
    path: '/changes/{id}',
    summary: 'How far a change is and what came of it',
    scope: 'contacts:write',
    answer: answer<ChangeView>(),
  },
  cancelChange: {
    method: 'POST',
    path: '/changes/{id}/cancel',
    summary: 'Stop a change under way',
    scope: 'contacts:write',
    answer: answer<ChangeView>(),
  },
  undoChange: {
    method: 'POST',
    path: '/changes/{id}/undo',
    summary: 'Take a change back, except what somebody changed since',
    scope: 'contacts:write',
    answer: answer<ChangeView>(),
  },
} as const satisfies Record<string, Operation>;
