/**
 * The contract of the API: every operation with its path, what it asks of its caller and the schemas of what it takes. Route
 * handlers are made from these, the OpenAPI document is printed from them, and a test walks them for every role.
 */
import Joi from 'joi';
import type { KeyScope } from '@/core/accounts';
import { KEY_SCOPES } from '@/core/accounts';
import { settingsSchema } from '@/core/accounts/schemas';
import { OUTCOME_KEYS } from '@/core/calling';
import { inquirySchema } from '@/core/capture/schemas';
import { changeSchema, questionSchema, selectionSchema } from '@/core/changes/schemas';
import { importPatchSchema } from '@/core/imports/schemas';
import { CHANNELS, CONTACT_ROLES, OWN_STEPS, REPORTED_KINDS } from '@/core/contacts';
import { FIELD_KINDS } from '@/core/segments';
import { EVERY, EXPORT_FORMATS, SHEETS } from '@/core/exports';
import { BODY_FIELDS, LESSON_FIELDS } from '@/core/mail';
import { MERGE_FIELDS } from '@/core/duplicates';
import { ladderSchema, rosterPatchSchema, rosterSchema } from '@/core/routing/schemas';
import { TAG_COLORS } from '@/core/tags';
import { MEASURE_KEYS, SPEED_BY } from '@/core/results';
import { PREFERENCE_KEYS } from '@/server/accounts';
import { CONTACT_SORTS, contactPatchSchema } from '@/server/contacts';
import { CAMPAIGN_OPERATIONS } from './campaign.operations';
import { MESSAGE_OPERATIONS } from './message.operations';
import { MARKET_OPERATIONS } from './market.operations';
import { PAGE_OPERATIONS } from './page.operations';

export interface Operation {
  method: 'GET' | 'POST' | 'PATCH' | 'PUT' | 'DELETE';
  /** Below /api/v1, parameters in braces. */
  path: string;
  summary: string;
  scope: KeyScope;
  /** `person`: only somebody who is logged in. `office`: only owner or admin, or a key with the scope. */
  only?: 'person' | 'office';
  body?: Joi.Schema;
  /** The body is a file: the handler reads it as a stream, and it is kept by its own rules. */
  file?: boolean;
  /** The handler reads the body itself, which may have another shape than the one that is promised to be read. */
  anyBody?: boolean;
  query?: Joi.ObjectSchema;
  /** True where the service itself sees to the Idempotency-Key, in the same transaction. */
  ownIdempotency?: boolean;
}

const limit = Joi.number().integer().min(1).max(200).default(50);
const cursor = Joi.string().max(500);
const id = Joi.string().pattern(/^\d{1,18}$/, 'id');
const page = Joi.object({ limit, cursor });
const instant = Joi.string().isoDate();
const period = { days: Joi.number().integer().min(1).max(3660).default(30) };

/** What a list of contacts may be asked for. */
const question = {
  q: Joi.string().max(200).allow(''),
  segment: id,
  where: Joi.string().max(20_000),
  stage: Joi.string().max(60),
  measure: Joi.string().valid(...MEASURE_KEYS),
  agent: id,
  door: id,
  roster: id,
  hour: Joi.string().pattern(/^[1-7]-(\d|1\d|2[0-3])$/, 'hour of the week'),
  ...period,
};
/** Words of a mail and what they are. */
const marks = Joi.array()
  .items(
    Joi.object({
      field: Joi.string()
        .valid(...LESSON_FIELDS)
        .required(),
      text: Joi.string().max(20_000).required(),
    }),
  )
  .max(20);
/** Where fields of an inquiry stand in a body of another shape. */
const mapping = Joi.object(
  Object.fromEntries(
    BODY_FIELDS.map((field) => [
      field,
      Joi.alternatives(
        Joi.object({ place: Joi.string().max(500).required() }),
        Joi.object({ words: Joi.string().max(500).allow('').required() }),
      ),
    ]),
  ),
);
const pair = Joi.object({ one_id: id.required(), other_id: id.required() });
const fieldName = Joi.string().min(1).max(60);
const fieldChoices = Joi.array().items(Joi.string().min(1).max(80)).max(200);
const exportOptions = Joi.object({
  sheet: Joi.string().valid(...Object.keys(SHEETS)),
  start: Joi.number().integer().min(0).max(29),
  per_household: Joi.boolean(),
}).default({});
const words = { name: Joi.string().min(1).max(40), meaning: Joi.string().max(200).allow('') };
const wordKey = Joi.string().max(60);
const rhythm = Joi.number().integer().min(1).max(730);
const strokes = Joi.number().integer().min(1).max(4);
const tagLine = Joi.string().min(1).max(200);
const tagColor = Joi.string().valid(...TAG_COLORS);
const asked = Joi.object({ selection: selectionSchema.required(), change: changeSchema.required() });
const segmentName = Joi.string().min(1).max(80);

const define = <const T extends Record<string, Operation>>(operations: T): { [Key in keyof T]: Operation } => operations;

export const OPERATIONS = define({
  ...CAMPAIGN_OPERATIONS,
  ...MARKET_OPERATIONS,
  ...MESSAGE_OPERATIONS,
  ...PAGE_OPERATIONS,
  createInquiry: {
    method: 'POST',
    path: '/inquiries',
    summary: 'Take in a lead',
    scope: 'inquiries:write',
    body: inquirySchema,
    query: Joi.object({ sandbox: Joi.boolean() }),
    ownIdempotency: true,
    anyBody: true,
  },
  listInquiries: {
    method: 'GET',
    path: '/inquiries',
    summary: 'Inquiries, the latest first',
    scope: 'contacts:read',
    query: page,
  },
  getInquiry: { method: 'GET', path: '/inquiries/{id}', summary: 'One inquiry, raw and parsed', scope: 'contacts:read' },
  listDoors: { method: 'GET', path: '/doors', summary: 'The doors by which leads arrive', scope: 'routing:read' },
  createDoor: {
    method: 'POST',
    path: '/doors',
    summary: 'Makes a lead mailbox, or a door for programs, with an address of its own',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({
      kind: Joi.string().valid('mail', 'api').default('mail'),
      name: Joi.string().min(1).max(80).required(),
      source: Joi.string().max(120).allow('', null),
    }).required(),
  },
  updateDoor: {
    method: 'PATCH',
    path: '/doors/{id}',
    summary: 'Renames a door, or changes what it gives to all that comes by it',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({
      name: Joi.string().min(1).max(80),
      source: Joi.string().max(120).allow('', null),
      defaults: Joi.object({
        roles: Joi.array()
          .items(Joi.string().valid(...CONTACT_ROLES))
          .max(6),
        tags: Joi.array().items(Joi.string().min(1).max(80)).max(20),
        on_the_phone: Joi.boolean(),
        horizon: Joi.string().max(60).allow(null),
        campaign_id: id.allow(null),
      }),
      mapping,
      sandbox: Joi.boolean(),
    })
      .min(1)
      .required(),
  },
  rotateDoor: {
    method: 'POST',
    path: '/doors/{id}/rotate',
    summary: 'Gives a lead mailbox or a door for programs a new address; the old one takes nothing more',
    scope: 'setup:write',
    only: 'office',
  },
  listDoorRequests: {
    method: 'GET',
    path: '/doors/{id}/requests',
    summary: 'The last hundred requests to a door for programs, with their answers',
    scope: 'setup:write',
    only: 'office',
  },
  listSources: {
    method: 'GET',
    path: '/sources',
    summary: 'Lead sources by name: new ones that leads brought, known ones, and which were merged',
    scope: 'setup:write',
    only: 'office',
  },
  keepSource: {
    method: 'PATCH',
    path: '/sources/{id}',
    summary: 'A new name is a source of ours',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ name: Joi.string().min(1).max(120) }).default({}),
  },
  mergeSources: {
    method: 'POST',
    path: '/sources/{id}/merge',
    summary: 'Says that a source is the same as another; all that it brought moves over, and it can be undone',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ into_id: id.required() }).required(),
  },
  splitSources: {
    method: 'POST',
    path: '/source-merges/{id}/undo',
    summary: 'Takes a merge of sources apart',
    scope: 'setup:write',
    only: 'office',
  },
  listSenders: {
    method: 'GET',
    path: '/senders',
    summary: 'Senders that began to write to a lead mailbox of somebody else, to be given a door of their own or left there',
    scope: 'setup:write',
    only: 'office',
  },
  settleSender: {
    method: 'PATCH',
    path: '/senders/{id}',
    summary: 'Gives a new sender a door of its own, by which its mails come from now on, or leaves it where it writes to',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ own_door: Joi.boolean().required(), name: Joi.string().trim().min(1).max(120) }),
  },
  readDoorBody: {
    method: 'POST',
    path: '/doors/{id}/read',
    summary: 'How a door would read a body with a mapping; nothing is kept',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ body: Joi.any().required(), mapping: mapping.default({}) }).required(),
  },
  listLeadMails: {
    method: 'GET',
    path: '/lead-mails',
    summary: 'Mails that came to lead mailboxes, the latest first',
    scope: 'contacts:read',
    only: 'office',
    query: page.keys({ state: Joi.string().valid('taken', 'answer', 'set_aside', 'waiting') }),
  },
  getLeadMail: {
    method: 'GET',
    path: '/lead-mails/{id}',
    summary: 'One such mail: its words, and the inquiry that they would be',
    scope: 'contacts:read',
    only: 'office',
  },
  takeLeadMail: {
    method: 'POST',
    path: '/lead-mails/{id}/take',
    summary: 'Makes an inquiry of a mail as a person reads it; twice, it is one',
    scope: 'inquiries:write',
    only: 'office',
    body: (inquirySchema as Joi.ObjectSchema).keys({ marks }),
    ownIdempotency: true,
  },
  teachLeadMail: {
    method: 'POST',
    path: '/lead-mails/{id}/teach',
    summary: 'Keeps what was marked in a mail: the next of this sender is read so',
    scope: 'inquiries:write',
    only: 'office',
    body: Joi.object({ marks: marks.min(1).required() }),
  },
  updateLeadMail: {
    method: 'PATCH',
    path: '/lead-mails/{id}',
    summary: 'Sets a mail aside that is no lead, or has it wait again',
    scope: 'contacts:write',
    only: 'office',
    body: Joi.object({ state: Joi.string().valid('set_aside', 'waiting').required() }).required(),
  },
  listContacts: {
    method: 'GET',
    path: '/contacts',
    summary: 'Contacts, the newest first: searched, of a segment, or those behind a number in Results',
    scope: 'contacts:read',
    query: Joi.object({
      ...question,
      sort: Joi.string().valid(...CONTACT_SORTS),
      order: Joi.string().valid('asc', 'desc'),
      limit,
      cursor,
    }),
  },
  countContacts: {
    method: 'GET',
    path: '/contacts/count',
    summary: 'How many contacts a question finds, exactly',
    scope: 'contacts:read',
    query: Joi.object(question),
  },
  getVocabulary: {
    method: 'GET',
    path: '/vocabulary',
    summary: 'The names of everything a segment may name, and the fields of the account',
    scope: 'contacts:read',
  },
  listSegments: { method: 'GET', path: '/segments', summary: 'The team’s segments and one’s own', scope: 'contacts:read' },
  createSegment: {
    method: 'POST',
    path: '/segments',
    summary: 'Keep a segment, for oneself or for the team',
    scope: 'contacts:write',
    body: Joi.object({ name: segmentName.required(), tree: Joi.any().required(), team: Joi.boolean().default(false) }),
  },
  getSegment: { method: 'GET', path: '/segments/{id}', summary: 'One segment with its sentence', scope: 'contacts:read' },
  updateSegment: {
    method: 'PATCH',
    path: '/segments/{id}',
    summary: 'Change a segment',
    scope: 'contacts:write',
    body: Joi.object({ name: segmentName, tree: Joi.any(), team: Joi.boolean() }).min(1),
  },
  deleteSegment: { method: 'DELETE', path: '/segments/{id}', summary: 'Delete a segment', scope: 'contacts:write' },
  setShelf: {
    method: 'PUT',
    path: '/shelf',
    summary: 'Lay segments on one’s shelf, in this order',
    scope: 'contacts:read',
    only: 'person',
    body: Joi.object({ segments: Joi.array().items(id).max(200).required() }),
  },
  listTags: { method: 'GET', path: '/tags', summary: 'Tags with how many contacts have each', scope: 'contacts:read' },
  createTag: {
    method: 'POST',
    path: '/tags',
    summary: 'Make a tag, or get the one of this name',
    scope: 'contacts:write',
    body: Joi.object({ name: tagLine.required(), color: tagColor }),
  },
  updateTag: {
    method: 'PATCH',
    path: '/tags/{id}',
    summary: 'Rename, recolour or lock a tag, everywhere at once',
    scope: 'contacts:write',
    body: Joi.object({ name: tagLine, color: tagColor, locked: Joi.boolean() }).min(1),
  },
  deleteTag: {
    method: 'DELETE',
    path: '/tags/{id}',
    summary: 'Delete a tag; another may take its place. The answer is the change, which can be undone',
    scope: 'contacts:write',
    query: Joi.object({ replace_by: id }),
  },
  listFields: { method: 'GET', path: '/fields', summary: 'The account’s own fields', scope: 'contacts:read' },
  createField: {
    method: 'POST',
    path: '/fields',
    summary: 'Make a field',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({
      name: fieldName.required(),
      kind: Joi.string()
        .valid(...FIELD_KINDS)
        .required(),
      choices: fieldChoices.default([]),
    }),
  },
  updateField: {
    method: 'PATCH',
    path: '/fields/{id}',
    summary: 'Rename a field or change its choices',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ name: fieldName, choices: fieldChoices }).min(1),
  },
  deleteField: {
    method: 'DELETE',
    path: '/fields/{id}',
    summary: 'Delete a field with everything written in it. The answer is the change, which can be undone',
    scope: 'setup:write',
    only: 'office',
  },
  listStages: {
    method: 'GET',
    path: '/stages',
    summary: 'Stages with their meaning and how many people stand there',
    scope: 'contacts:read',
  },
  updateStage: {
    method: 'PATCH',
    path: '/stages',
    summary: 'Give a stage another name or meaning',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ key: wordKey.required(), ...words }),
  },
  createStage: {
    method: 'POST',
    path: '/stages',
    summary: 'Make a stage of one’s own, which counts as a step of the work',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({
      ...words,
      name: words.name.required(),
      meaning: words.meaning.default(''),
      counts_as: Joi.string()
        .valid(...OWN_STEPS)
        .required(),
    }),
  },
  deleteStage: {
    method: 'DELETE',
    path: '/stages',
    summary: 'Remove a stage; its people go to another. The answer is the change, which can be undone',
    scope: 'setup:write',
    only: 'office',
    query: Joi.object({ key: wordKey.required(), replace_by: wordKey.required() }),
  },
  createHorizon: {
    method: 'POST',
    path: '/horizons',
    summary: 'Make a horizon of one’s own, with its rhythm and its strokes',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({
      ...words,
      name: words.name.required(),
      meaning: words.meaning.default(''),
      rhythm_days: rhythm.required(),
      strokes: strokes.default(1),
    }),
  },
  deleteHorizon: {
    method: 'DELETE',
    path: '/horizons',
    summary: 'Remove a horizon; its people get another, or none. The answer is the change, which can be undone',
    scope: 'setup:write',
    only: 'office',
    query: Joi.object({ key: wordKey.required(), replace_by: wordKey }),
  },
  listHorizons: { method: 'GET', path: '/horizons', summary: 'Horizons with their meaning and rhythm', scope: 'contacts:read' },
  updateHorizon: {
    method: 'PATCH',
    path: '/horizons',
    summary: 'Give a horizon another name, meaning or rhythm',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ key: wordKey.required(), ...words, rhythm_days: rhythm, strokes }),
  },
  getLook: {
    method: 'GET',
    path: '/duplicates/look',
    summary: 'When duplicates were last looked for, and how many pairs wait',
    scope: 'contacts:read',
  },
  askLook: {
    method: 'POST',
    path: '/duplicates/look',
    summary: 'Look for people who stand in the database twice',
    scope: 'contacts:write',
  },
  listDuplicates: {
    method: 'GET',
    path: '/duplicates',
    summary: 'Pairs that may be one person, the surest first, with the reasons',
    scope: 'contacts:write',
    query: Joi.object({ limit }),
  },
  declareDifferent: {
    method: 'POST',
    path: '/duplicates/different',
    summary: 'Say that two are two people',
    scope: 'contacts:write',
    body: pair,
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
  },
  listMerges: {
    method: 'GET',
    path: '/contacts/{id}/merges',
    summary: 'Merges of a contact that can be taken apart',
    scope: 'contacts:read',
  },
  unmerge: { method: 'POST', path: '/merges/{id}/undo', summary: 'Take two contacts apart again', scope: 'contacts:write' },
  joinHousehold: {
    method: 'PUT',
    path: '/contacts/{id}/household',
    summary: 'Say that two share a household',
    scope: 'contacts:write',
    body: Joi.object({ other_id: id.required() }),
  },
  leaveHousehold: {
    method: 'DELETE',
    path: '/contacts/{id}/household',
    summary: 'Take somebody out of their household',
    scope: 'contacts:write',
  },
  getFeed: {
    method: 'GET',
    path: '/calendar',
    summary: 'Whether one’s calendar address holds, and when it was read',
    scope: 'contacts:read',
    only: 'person',
  },
  createFeed: {
    method: 'POST',
    path: '/calendar',
    summary: 'Make a secret calendar address of important dates; shown once, the one before stops',
    scope: 'contacts:read',
    only: 'person',
  },
  revokeFeed: {
    method: 'DELETE',
    path: '/calendar',
    summary: 'Revoke one’s calendar address',
    scope: 'contacts:read',
    only: 'person',
  },
  createExport: {
    method: 'POST',
    path: '/exports',
    summary:
      'Write contacts to a file in the background: CSV, XLSX or vCard 4.0; or address labels and cards with a QR code as PDF',
    scope: 'contacts:write',
    body: Joi.object({
      format: Joi.string()
        .valid(...EXPORT_FORMATS)
        .required(),
      selection: selectionSchema.required(),
      options: exportOptions,
      email: Joi.boolean().default(false),
    }),
  },
  listSchedules: {
    method: 'GET',
    path: '/export-schedules',
    summary: 'Exports that come back by themselves, the next first',
    scope: 'contacts:write',
  },
  createSchedule: {
    method: 'POST',
    path: '/export-schedules',
    summary: 'Let an export come back: every day, week or month, as a file and by e-mail to whoever asks',
    scope: 'contacts:write',
    only: 'person',
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
  },
  deleteSchedule: {
    method: 'DELETE',
    path: '/export-schedules/{id}',
    summary: 'Let an export come back no more',
    scope: 'contacts:write',
  },
  listExports: {
    method: 'GET',
    path: '/exports',
    summary: 'Exports of the last week',
    scope: 'contacts:write',
    query: Joi.object({ limit }),
  },
  getExport: { method: 'GET', path: '/exports/{id}', summary: 'How far an export is', scope: 'contacts:write' },
  getExportFile: { method: 'GET', path: '/exports/{id}/file', summary: 'The file of an export', scope: 'contacts:write' },
  createImport: {
    method: 'POST',
    path: '/imports',
    summary: 'Send a file of contacts (CSV, XLSX, ODS, vCard) as the body; it is looked through in the background',
    scope: 'contacts:write',
    file: true,
    query: Joi.object({ name: Joi.string().min(1).max(200).required() }),
  },
  listImports: {
    method: 'GET',
    path: '/imports',
    summary: 'Imports, the latest first',
    scope: 'contacts:write',
    query: Joi.object({ limit }),
  },
  getImport: {
    method: 'GET',
    path: '/imports/{id}',
    summary: 'What was recognised in a file, the first people as they will be, how far it is',
    scope: 'contacts:write',
  },
  updateImport: {
    method: 'PATCH',
    path: '/imports/{id}',
    summary: 'Correct what columns mean, or choose what happens to people who are here already',
    scope: 'contacts:write',
    body: importPatchSchema,
  },
  startImport: {
    method: 'POST',
    path: '/imports/{id}/start',
    summary: 'Take the people of the file in',
    scope: 'contacts:write',
  },
  cancelImport: {
    method: 'POST',
    path: '/imports/{id}/cancel',
    summary: 'Stop an import; what is in stays in',
    scope: 'contacts:write',
  },
  undoImport: { method: 'POST', path: '/imports/{id}/undo', summary: 'Take a whole import back', scope: 'contacts:write' },
  getLeft: {
    method: 'GET',
    path: '/imports/{id}/left',
    summary: 'What was not taken, as CSV with the reasons, to mend and import again',
    scope: 'contacts:write',
  },
  previewChange: {
    method: 'POST',
    path: '/changes/preview',
    summary: 'What a change of many would do, and whom it would leave alone and why',
    scope: 'contacts:write',
    body: asked,
  },
  createChange: {
    method: 'POST',
    path: '/changes',
    summary: 'Change many contacts in the background; the answer is the change to watch',
    scope: 'contacts:write',
    body: asked,
  },
  listChanges: {
    method: 'GET',
    path: '/changes',
    summary: 'The history of changes of many, the latest first',
    scope: 'contacts:write',
    query: Joi.object({ limit }),
  },
  getChange: {
    method: 'GET',
    path: '/changes/{id}',
    summary: 'How far a change is and what came of it',
    scope: 'contacts:write',
  },
  cancelChange: { method: 'POST', path: '/changes/{id}/cancel', summary: 'Stop a change under way', scope: 'contacts:write' },
  undoChange: {
    method: 'POST',
    path: '/changes/{id}/undo',
    summary: 'Take a change back, except what somebody changed since',
    scope: 'contacts:write',
  },
  getPreferences: {
    method: 'GET',
    path: '/preferences',
    summary: 'What one set for oneself',
    scope: 'contacts:read',
    only: 'person',
  },
  setPreferences: {
    method: 'PUT',
    path: '/preferences',
    summary: 'Set something for oneself, such as the columns of the grid',
    scope: 'contacts:read',
    only: 'person',
    body: Joi.object(Object.fromEntries(PREFERENCE_KEYS.map((key) => [key, Joi.object().unknown(true)]))).min(1),
  },
  getContact: { method: 'GET', path: '/contacts/{id}', summary: 'One contact', scope: 'contacts:read' },
  updateContact: {
    method: 'PATCH',
    path: '/contacts/{id}',
    summary: 'Change a contact',
    scope: 'contacts:write',
    body: contactPatchSchema,
  },
  listTimeline: {
    method: 'GET',
    path: '/contacts/{id}/timeline',
    summary: 'What happened to a contact, the latest first',
    scope: 'contacts:read',
    query: page,
  },
  listEnrolments: {
    method: 'GET',
    path: '/contacts/{id}/enrolments',
    summary: 'A contact’s ways through campaigns',
    scope: 'contacts:read',
  },
  addNote: {
    method: 'POST',
    path: '/contacts/{id}/notes',
    summary: 'Keep a note',
    scope: 'contacts:write',
    body: Joi.object({ text: Joi.string().max(20_000).allow('').required() }),
  },
  reportActivity: {
    method: 'POST',
    path: '/contacts/{id}/activities',
    summary: 'Report what a person did elsewhere: a visit to a home search, a home saved, an e-mail opened, a call to us',
    scope: 'contacts:write',
    body: Joi.object({
      kind: Joi.string()
        .valid(...REPORTED_KINDS)
        .required(),
      at: instant,
      text: Joi.string().max(500).allow('').default(''),
      talk_seconds: Joi.number().integer().min(0).max(86_400).default(0),
    }),
  },
  sendMessage: {
    method: 'POST',
    path: '/contacts/{id}/messages',
    summary: 'Write to a contact by text, e-mail or letter; `both` writes to everybody of the household',
    scope: 'contacts:write',
    body: Joi.object({
      channel: Joi.string().valid('text', 'email', 'letter').required(),
      subject: Joi.string().max(200).allow('', null),
      text: Joi.string().max(50_000).allow('').required(),
      both: Joi.boolean().default(false),
    }),
  },
  setNextTouch: {
    method: 'PUT',
    path: '/contacts/{id}/next-touch',
    summary: 'Promise the next touch, or take the promise back',
    scope: 'contacts:write',
    body: Joi.object({
      at: instant.allow(null).required(),
      note: Joi.string().max(500).allow('').default(''),
      appointment: Joi.boolean().default(false),
    }),
  },
  setPermission: {
    method: 'PUT',
    path: '/contacts/{id}/permissions',
    summary: 'Record a permission given or withdrawn',
    scope: 'contacts:write',
    body: Joi.object({
      channel: Joi.string()
        .valid(...CHANNELS)
        .required(),
      state: Joi.string().valid('granted', 'withdrawn').required(),
      evidence: Joi.string().max(500).allow('').default(''),
    }),
  },
  startCall: { method: 'POST', path: '/contacts/{id}/calls', summary: 'Call a contact', scope: 'contacts:write', only: 'person' },
  getCall: { method: 'GET', path: '/calls/{id}', summary: 'One call', scope: 'contacts:read' },
  updateCall: {
    method: 'PATCH',
    path: '/calls/{id}',
    summary: 'Keep the note or name the outcome of a call',
    scope: 'contacts:write',
    body: Joi.object({ note: Joi.string().max(20_000).allow(''), outcome: Joi.string().valid(...OUTCOME_KEYS) }).min(1),
  },
  hangUp: { method: 'POST', path: '/calls/{id}/hang-up', summary: 'End a call', scope: 'contacts:write' },
  stopEnrolment: {
    method: 'POST',
    path: '/enrolments/{id}/stop',
    summary: 'Stop a contact’s way through a campaign',
    scope: 'contacts:write',
  },
  getToday: { method: 'GET', path: '/today', summary: 'Whom to contact now, and why', scope: 'contacts:read', only: 'person' },
  getWire: { method: 'GET', path: '/wire', summary: 'The numbers on the Wire', scope: 'contacts:read', only: 'person' },
  getLadder: {
    method: 'GET',
    path: '/ladder',
    summary: 'The ladder, its rosters, and what each rung decided in 30 days',
    scope: 'routing:read',
  },
  listOffers: { method: 'GET', path: '/offers', summary: 'Leads that wait for a first try', scope: 'contacts:read' },
  saveLadder: {
    method: 'PUT',
    path: '/ladder',
    summary: 'Put a whole ladder in the place of the version that was seen; rungs with an id stay themselves',
    scope: 'routing:write',
    only: 'office',
    body: Joi.object({
      version: id.required(),
      rungs: ladderSchema.extract('rungs'),
      own_listing: ladderSchema.extract('own_listing'),
    }),
  },
  listLadderVersions: {
    method: 'GET',
    path: '/ladder/versions',
    summary: 'The ladders of before',
    scope: 'routing:write',
    only: 'office',
  },
  restoreLadder: {
    method: 'POST',
    path: '/ladder/restore',
    summary: 'Bring an earlier ladder back, as a new version',
    scope: 'routing:write',
    only: 'office',
    body: Joi.object({ version: id.required() }),
  },
  createRoster: {
    method: 'POST',
    path: '/rosters',
    summary: 'Make a roster',
    scope: 'routing:write',
    only: 'office',
    body: rosterSchema,
  },
  updateRoster: {
    method: 'PATCH',
    path: '/rosters/{id}',
    summary: 'Change a roster: who is on it, how it hands out, what happens when a window ends',
    scope: 'routing:write',
    only: 'office',
    body: rosterPatchSchema,
  },
  deleteRoster: {
    method: 'DELETE',
    path: '/rosters/{id}',
    summary: 'Take a roster away',
    scope: 'routing:write',
    only: 'office',
  },
  listInvitations: {
    method: 'GET',
    path: '/invitations',
    summary: 'Rosters to which whoever asks is invited',
    scope: 'routing:read',
    only: 'person',
  },
  answerInvitation: {
    method: 'PUT',
    path: '/invitations/{id}',
    summary: 'Accept or decline to be on a roster, by the number of the roster',
    scope: 'routing:read',
    only: 'person',
    body: Joi.object({ accept: Joi.boolean().required() }),
  },
  listMyOffers: {
    method: 'GET',
    path: '/offers/mine',
    summary: 'Leads offered to whoever asks',
    scope: 'routing:read',
    only: 'person',
  },
  acceptOffer: {
    method: 'POST',
    path: '/offers/{id}/accept',
    summary: 'Take the lead that is offered',
    scope: 'routing:read',
    only: 'person',
  },
  declineOffer: {
    method: 'POST',
    path: '/offers/{id}/decline',
    summary: 'Pass the lead on',
    scope: 'routing:read',
    only: 'person',
  },
  getTrace: {
    method: 'GET',
    path: '/inquiries/{id}/trace',
    summary: 'The way of an inquiry: rungs, people passed over, offers and answers',
    scope: 'contacts:read',
  },
  orderRehearsal: {
    method: 'POST',
    path: '/rehearsals',
    summary: 'Try a ladder over the inquiries of the last days, without effects',
    scope: 'routing:write',
    only: 'office',
    body: Joi.object({ days: Joi.number().integer().min(1).max(1_100).default(30), ladder: ladderSchema.required() }),
  },
  getRehearsal: {
    method: 'GET',
    path: '/rehearsals/{id}',
    summary: 'A rehearsal: how far it is, and what it says',
    scope: 'routing:write',
    only: 'office',
  },
  cancelRehearsal: {
    method: 'POST',
    path: '/rehearsals/{id}/cancel',
    summary: 'End a rehearsal early',
    scope: 'routing:write',
    only: 'office',
  },
  listOutcomes: {
    method: 'GET',
    path: '/rehearsals/{id}/outcomes',
    summary: 'Who would have got what',
    scope: 'routing:write',
    only: 'office',
    query: Joi.object({ moved: Joi.boolean(), agent: id, from: id, rung: Joi.string().pattern(/^(new-)?\d{1,18}$/), limit }),
  },
  setAway: {
    method: 'PUT',
    path: '/people/{id}/away',
    summary: 'Say until when somebody is away',
    scope: 'routing:write',
    body: Joi.object({ until: instant.allow(null).required() }),
  },
  listPeople: {
    method: 'GET',
    path: '/people',
    summary: 'The people of the brokerage; with `left`, those who work here no longer',
    scope: 'routing:read',
    query: Joi.object({ left: Joi.boolean().default(false) }),
  },
  letLeave: {
    method: 'POST',
    path: '/people/{id}/leave',
    summary: 'Somebody leaves: offers to them go on, their people are handed on in the background',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ change: changeSchema.required() }),
  },
  letReturn: {
    method: 'POST',
    path: '/people/{id}/return',
    summary: 'Somebody who left may come in again',
    scope: 'setup:write',
    only: 'office',
  },
  getResults: {
    method: 'GET',
    path: '/results',
    summary: 'What came of the leads of a period, per agent and in all',
    scope: 'results:read',
    query: Joi.object(period),
  },
  getSpeed: {
    method: 'GET',
    path: '/results/speed',
    summary: 'Speed to lead of a period by agent, roster, door or hour of the week',
    scope: 'results:read',
    query: Joi.object({
      ...period,
      by: Joi.string()
        .valid(...SPEED_BY)
        .default('agent'),
    }),
  },
  getSettings: { method: 'GET', path: '/settings', summary: 'Guardrails and measures', scope: 'routing:read' },
  updateSettings: {
    method: 'PATCH',
    path: '/settings',
    summary: 'Change guardrails and measures',
    scope: 'setup:write',
    only: 'office',
    body: settingsSchema,
  },
  listKeys: { method: 'GET', path: '/keys', summary: 'API keys, without the keys', scope: 'setup:write', only: 'office' },
  createKey: {
    method: 'POST',
    path: '/keys',
    summary: 'Make an API key; the answer shows it once',
    scope: 'setup:write',
    only: 'person',
    body: Joi.object({
      name: Joi.string().min(1).max(80).required(),
      scopes: Joi.array()
        .items(Joi.string().valid(...KEY_SCOPES))
        .min(1)
        .required(),
      door_id: id.allow(null),
    }),
  },
  rotateKey: {
    method: 'POST',
    path: '/keys/{id}/rotate',
    summary: 'Change an API key for a new one, shown once; the old one works for some hours more',
    scope: 'setup:write',
    only: 'person',
    body: Joi.object({ hours: Joi.number().integer().min(0).max(720).default(24) }).default({}),
  },
  revokeKey: { method: 'DELETE', path: '/keys/{id}', summary: 'Revoke an API key', scope: 'setup:write', only: 'person' },
  listStuck: {
    method: 'GET',
    path: '/outbox/stuck',
    summary: 'Messages that do not get out',
    scope: 'setup:write',
    only: 'office',
  },
  retryStuck: { method: 'POST', path: '/outbox/retry', summary: 'Try them again now', scope: 'setup:write', only: 'office' },
  advance: {
    method: 'POST',
    path: '/simulation/advance',
    summary: 'Let simulated time pass; answers when everything due in between has been done',
    scope: 'simulation',
    body: Joi.object({ by: Joi.string().max(40), to: instant, next: Joi.boolean().valid(true) }).xor('by', 'to', 'next'),
  },
  getSimulation: { method: 'GET', path: '/simulation', summary: 'The clock', scope: 'contacts:read' },
});
