/** The operations of leads as they arrive: inquiries, doors, sources, senders, mails that wait. */
import Joi from 'joi';
import { inquirySchema } from '@/core/capture/schemas';
import { BODY_FIELDS, EXTRACTED_FIELDS } from '@/core/mail';
import { CONTACT_ROLES } from '@/core/contacts';
import type {
  BodyRead,
  DoorRequestView,
  DoorView,
  InquiryView,
  SenderView,
  SourceView,
  RecognizedLead,
  InquiryInput,
} from '@/core/capture';
import type { LeadMailView } from '@/core/mail';
import type { CaptureResult, Told, Tried } from '@/server/capture';
import { answer, nothing, type Listed, type Operation } from './operation';
import { id, page } from './parts';

/** Words of a mail and what they are. */
const marks = Joi.array()
  .items(
    Joi.object({
      field: Joi.string()
        .valid(...EXTRACTED_FIELDS)
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

export const CAPTURE_OPERATIONS = {
  createInquiry: {
    method: 'POST',
    path: '/inquiries',
    summary: 'Create a lead',
    scope: 'inquiries:write',
    body: inquirySchema,
    query: Joi.object({ sandbox: Joi.boolean() }),
    ownIdempotency: true,
    anyBody: true,
    answer: answer<Told<CaptureResult> | Told<Tried>>(),
  },
  listInquiries: {
    method: 'GET',
    path: '/inquiries',
    summary: 'List inquiries, newest first',
    scope: 'contacts:read',
    query: page,
    answer: answer<Listed<InquiryView>>(),
  },
  getInquiry: {
    method: 'GET',
    path: '/inquiries/{id}',
    summary: 'Get an inquiry, raw and parsed',
    scope: 'contacts:read',
    answer: answer<InquiryView & { raw: unknown; parsed: RecognizedLead; lead_mail_id: string | null }>(),
  },
  listDoors: {
    method: 'GET',
    path: '/doors',
    summary: 'List doors',
    scope: 'routing:read',
    answer: answer<{ items: DoorView[] }>(),
  },
  sendTestLead: {
    method: 'POST',
    path: '/doors/{id}/test',
    summary: 'Send a test lead through a door and see who gets it',
    scope: 'setup:write',
    only: 'office',
    answer: answer<CaptureResult>(),
  },
  createDoor: {
    secret: true,
    method: 'POST',
    path: '/doors',
    summary: 'Create a lead mailbox or a program door with its own address',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({
      kind: Joi.string().valid('mail', 'api').default('mail'),
      name: Joi.string().min(1).max(80).required(),
      source: Joi.string().max(120).allow('', null),
    }).required(),
    answer: answer<DoorView>(),
  },
  removeDoor: {
    method: 'DELETE',
    path: '/doors/{id}',
    summary: 'Remove a lead mailbox or program door; its leads stay',
    scope: 'setup:write',
    only: 'office',
    answer: nothing,
  },
  restoreDoor: {
    method: 'POST',
    path: '/doors/{id}/restore',
    summary: 'Restore a removed door with the address it had',
    scope: 'setup:write',
    only: 'office',
    answer: nothing,
  },
  updateDoor: {
    method: 'PATCH',
    path: '/doors/{id}',
    summary: 'Rename a door, or change its defaults',
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
    answer: answer<DoorView>(),
  },
  rotateDoor: {
    secret: true,
    method: 'POST',
    path: '/doors/{id}/rotate',
    summary: 'Give a door a new address; the old one stops working',
    scope: 'setup:write',
    only: 'office',
    answer: answer<DoorView>(),
  },
  listDoorRequests: {
    method: 'GET',
    path: '/doors/{id}/requests',
    summary: 'List the last 100 requests to a program door, with responses',
    scope: 'setup:write',
    only: 'office',
    answer: answer<{ items: DoorRequestView[] }>(),
  },
  listSources: {
    method: 'GET',
    path: '/sources',
    summary: 'List lead sources: new, known, and merged',
    scope: 'setup:write',
    only: 'office',
    answer: answer<{ items: SourceView[] }>(),
  },
  createSource: {
    method: 'POST',
    path: '/sources',
    summary: 'Add a lead source before its first lead',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ name: Joi.string().trim().min(1).max(120).required() }),
    answer: answer<SourceView>(),
  },
  dismissSource: {
    method: 'POST',
    path: '/sources/{id}/dismiss',
    summary: 'Say that a name isn’t a lead source, such as someone who forwards mail',
    scope: 'setup:write',
    only: 'office',
    answer: nothing,
  },
  copyRungToSources: {
    method: 'POST',
    path: '/rungs/{id}/copies',
    summary: 'Copy a rung for other lead sources, above it; restore the version before to undo',
    scope: 'routing:write',
    only: 'office',
    body: Joi.object({ source_ids: Joi.array().items(id).min(1).max(50).required() }).required(),
    answer: answer<{ before: string }>(),
  },
  updateSource: {
    method: 'PATCH',
    path: '/sources/{id}',
    summary: 'Accept a new lead source',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ name: Joi.string().min(1).max(120) }).default({}),
    answer: answer<SourceView>(),
  },
  mergeSources: {
    method: 'POST',
    path: '/sources/{id}/merge',
    summary: 'Merge a lead source into another; can be undone',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ into_id: id.required() }).required(),
    answer: answer<{ id: string; people: number }>(),
  },
  splitSources: {
    method: 'POST',
    path: '/source-merges/{id}/undo',
    summary: 'Undo a lead source merge',
    scope: 'setup:write',
    only: 'office',
    answer: nothing,
  },
  listSenders: {
    method: 'GET',
    path: '/senders',
    summary: 'List new senders to a lead mailbox',
    scope: 'setup:write',
    only: 'office',
    answer: answer<{ items: SenderView[] }>(),
  },
  updateSender: {
    method: 'PATCH',
    path: '/senders/{id}',
    summary: 'Give a new sender its own door, or leave it where it is',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ own_door: Joi.boolean().required(), name: Joi.string().trim().min(1).max(120) }),
    answer: nothing,
  },
  readDoorBody: {
    method: 'POST',
    path: '/doors/{id}/read',
    summary: 'Preview how a door would read a request body; saves nothing',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ body: Joi.any().required(), mapping: mapping.default({}) }).required(),
    answer: answer<BodyRead>(),
  },
  listLeadMails: {
    method: 'GET',
    path: '/lead-mails',
    summary: 'List emails sent to lead mailboxes, newest first',
    scope: 'contacts:read',
    only: 'office',
    query: page.keys({ state: Joi.string().valid('taken', 'answer', 'set_aside', 'waiting') }),
    answer: answer<Listed<LeadMailView>>(),
  },
  getLeadMail: {
    method: 'GET',
    path: '/lead-mails/{id}',
    summary: 'Get a lead email and the inquiry it would become',
    scope: 'contacts:read',
    only: 'office',
    answer: answer<LeadMailView & { body: string; inquiry: InquiryInput }>(),
  },
  convertLeadMail: {
    method: 'POST',
    path: '/lead-mails/{id}/convert',
    was: '/lead-mails/{id}/take',
    summary: 'Turn a lead email into an inquiry; repeating it creates only one',
    scope: 'inquiries:write',
    only: 'office',
    body: inquirySchema.keys({ marks }),
    ownIdempotency: true,
    answer: answer<CaptureResult>(),
  },
  teachLeadMail: {
    method: 'POST',
    path: '/lead-mails/{id}/teach',
    summary: 'Teach how this sender’s emails are read',
    scope: 'inquiries:write',
    only: 'office',
    body: Joi.object({ marks: marks.min(1).required() }),
    answer: answer<{ learned: number; inquiry: InquiryInput }>(),
  },
  updateLeadMail: {
    method: 'PATCH',
    path: '/lead-mails/{id}',
    summary: 'Dismiss an email that isn’t a lead, or put it back',
    scope: 'contacts:write',
    only: 'office',
    body: Joi.object({ state: Joi.string().valid('set_aside', 'waiting').required() }).required(),
    answer: answer<LeadMailView>(),
  },
} as const satisfies Record<string, Operation>;
