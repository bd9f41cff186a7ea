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
import { splitSchema } from '@/server/duplicates';
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
    summary: 'Get the status of the last duplicate search',
    scope: 'contacts:read',
    answer: answer<DuplicateScanView>(),
  },
  startDuplicateScan: {
    method: 'POST',
    path: '/duplicates/scan',
    was: '/duplicates/look',
    summary: 'Start a search for duplicates',
    scope: 'contacts:write',
    answer: answer<DuplicateScanView>(),
  },
  listDuplicates: {
    method: 'GET',
    path: '/duplicates',
    summary: 'List possible duplicates, most likely first',
    scope: 'contacts:write',
    query: Joi.object({ limit }),
    answer: answer<{ items: PairView[] }>(),
  },
  declareDifferent: {
    method: 'POST',
    path: '/duplicates/different',
    summary: 'Mark two contacts as different people',
    scope: 'contacts:write',
    body: pair,
    answer: nothing,
  },
  mergeContacts: {
    method: 'POST',
    path: '/contacts/{id}/merge',
    summary: 'Merge another contact into this one; can be undone',
    scope: 'contacts:write',
    body: Joi.object({
      other_id: id.required(),
      choices: Joi.object(Object.fromEntries(MERGE_FIELDS.map((field) => [field, Joi.string().valid('kept', 'gone')]))).default(
        {},
      ),
    }),
    answer: answer<ContactView & { merge_id: string }>(),
  },
  sayWhose: {
    method: 'PUT',
    path: '/activities/{id}/whose',
    summary: 'Say which contact wrote a message from a shared phone or email',
    scope: 'contacts:write',
    body: Joi.object({ contact_id: id.required() }),
    answer: nothing,
  },
  splitContact: {
    method: 'POST',
    path: '/contacts/{id}/split',
    summary: 'Split a contact that holds two people; merging them undoes it',
    scope: 'contacts:write',
    body: splitSchema,
    answer: answer<ContactView>(),
  },
  listMerges: {
    method: 'GET',
    path: '/contacts/{id}/merges',
    summary: 'List a contact’s merges that can be undone',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ items: MergeView[] }>(),
  },
  undoMerge: {
    method: 'POST',
    path: '/merges/{id}/undo',
    summary: 'Undo a merge',
    scope: 'contacts:write',
    answer: nothing,
  },
  joinHousehold: {
    method: 'PUT',
    path: '/contacts/{id}/household',
    summary: 'Put two contacts in one household',
    scope: 'contacts:write',
    body: Joi.object({ other_id: id.required() }),
    answer: nothing,
  },
  leaveHousehold: {
    method: 'DELETE',
    path: '/contacts/{id}/household',
    summary: 'Remove a contact from their household',
    scope: 'contacts:write',
    answer: nothing,
  },
  getFeed: {
    method: 'GET',
    path: '/calendar',
    summary: 'Get the status of your calendar feed',
    scope: 'contacts:read',
    only: 'user',
    answer: answer<{ feed: FeedView | null }>(),
  },
  createFeed: {
    method: 'POST',
    secret: true,
    path: '/calendar',
    summary: 'Create your calendar feed; shown once, and replaces the previous one',
    scope: 'contacts:read',
    only: 'user',
    answer: answer<{ url: string }>(),
  },
  revokeFeed: {
    method: 'DELETE',
    path: '/calendar',
    summary: 'Revoke your calendar feed',
    scope: 'contacts:read',
    only: 'user',
    answer: nothing,
  },
  createExport: {
    method: 'POST',
    path: '/exports',
    confirm: true,
    right: 'contacts:export',
    summary: 'Export contacts in the background as CSV, XLSX, or vCard 4.0, or as a PDF of address labels or QR cards',
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
    summary: 'List scheduled exports, next first',
    scope: 'contacts:write',
    answer: answer<{ items: ScheduleView[] }>(),
  },
  createSchedule: {
    method: 'POST',
    path: '/export-schedules',
    right: 'contacts:export',
    confirm: true,
    summary: 'Schedule an export daily, weekly, or monthly, by email',
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
    summary: 'Delete a scheduled export',
    scope: 'contacts:write',
    answer: nothing,
  },
  listExports: {
    method: 'GET',
    path: '/exports',
    summary: 'List exports of the last week',
    scope: 'contacts:write',
    query: Joi.object({ limit }),
    answer: answer<{ items: ExportView[] }>(),
  },
  getExport: {
    method: 'GET',
    path: '/exports/{id}',
    summary: 'Get an export’s progress',
    scope: 'contacts:write',
    answer: answer<ExportView>(),
  },
  getExportFile: {
    method: 'GET',
    path: '/exports/{id}/file',
    summary: 'Download an export',
    scope: 'contacts:write',
    answer: answer<Download>(),
  },
  createImport: {
    method: 'POST',
    path: '/imports',
    summary: 'Upload a contact file (CSV, XLSX, ODS, vCard) as the body; it’s read in the background',
    scope: 'contacts:write',
    file: true,
    query: Joi.object({ name: Joi.string().min(1).max(200).required() }),
    answer: answer<ImportView>(),
  },
  listImports: {
    method: 'GET',
    path: '/imports',
    summary: 'List imports, newest first',
    scope: 'contacts:write',
    query: Joi.object({ limit }),
    answer: answer<{ items: Omit<ImportView, 'columns' | 'look'>[] }>(),
  },
  getImport: {
    method: 'GET',
    path: '/imports/{id}',
    summary: 'Get an import: what was read, a preview, and progress',
    scope: 'contacts:write',
    answer: answer<ImportView>(),
  },
  updateImport: {
    method: 'PATCH',
    path: '/imports/{id}',
    summary: 'Map an import’s columns, or choose how to handle existing contacts',
    scope: 'contacts:write',
    body: importPatchSchema,
    answer: answer<ImportView>(),
  },
  startImport: {
    method: 'POST',
    path: '/imports/{id}/start',
    summary: 'Start an import',
    scope: 'contacts:write',
    answer: answer<ImportView>(),
  },
  cancelImport: {
    method: 'POST',
    path: '/imports/{id}/cancel',
    summary: 'Stop an import; contacts already imported stay',
    scope: 'contacts:write',
    answer: answer<ImportView>(),
  },
  undoImport: {
    method: 'POST',
    path: '/imports/{id}/undo',
    summary: 'Undo an import',
    scope: 'contacts:write',
    answer: answer<ImportView>(),
  },
  getSkippedRows: {
    method: 'GET',
    path: '/imports/{id}/skipped',
    was: '/imports/{id}/left',
    summary: 'Download skipped rows as CSV, with reasons',
    scope: 'contacts:write',
    answer: answer<Download>(),
  },
  tagsOfSelection: {
    method: 'POST',
    path: '/changes/tags',
    summary: 'List the tags of selected contacts, with counts',
    scope: 'contacts:read',
    reads: true,
    body: Joi.object({ selection: selectionSchema.required() }),
    answer: answer<{ items: SelectionTag[] }>(),
  },
  previewChange: {
    method: 'POST',
    path: '/changes/preview',
    summary: 'Preview a bulk change, with who would be skipped and why',
    scope: 'contacts:write',
    reads: true,
    body: asked,
    answer: answer<ChangePreview>(),
  },
  createChange: {
    method: 'POST',
    path: '/changes',
    summary: 'Start a bulk change in the background',
    scope: 'contacts:write',
    body: asked,
    answer: answer<ChangeView>(),
  },
  listChanges: {
    method: 'GET',
    path: '/changes',
    summary: 'List bulk changes, newest first',
    scope: 'contacts:write',
    query: Joi.object({ limit }),
    answer: answer<{ items: ChangeView[] }>(),
  },
  getChange: {
    method: 'GET',
    path: '/changes/{id}',
    summary: 'Get a bulk change’s progress and result',
    scope: 'contacts:write',
    answer: answer<ChangeView>(),
  },
  cancelChange: {
    method: 'POST',
    path: '/changes/{id}/cancel',
    summary: 'Stop a bulk change',
    scope: 'contacts:write',
    answer: answer<ChangeView>(),
  },
  undoChange: {
    method: 'POST',
    path: '/changes/{id}/undo',
    summary: 'Undo a bulk change, except what was changed since',
    scope: 'contacts:write',
    answer: answer<ChangeView>(),
  },
} as const satisfies Record<string, Operation>;
