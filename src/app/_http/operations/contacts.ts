/** The operations of contacts: lists, one of them, what happened and what is next. */
import Joi from 'joi';
import { addressesSchema, CONTACT_SORTS, contactPatchSchema } from '@/server/contacts';
import type { SendResult } from '@/server/messages';
import { questionSchema } from '@/core/segments/schemas';
import { CHANNEL_KEYS, REPORTED_KINDS, SEND_CHANNELS, TIMELINE_GROUP_KEYS } from '@/core/contacts';
import type { EnrollmentView } from '@/core/campaigns';
import type { ContactView, MoreView, PermissionsView, TimelineItem } from '@/core/contacts';
import { answer, nothing, type Listed, type Operation } from './operation';
import { cursor, id, instant, limit, page, period } from './parts';

export const CONTACTS_OPERATIONS = {
  listContacts: {
    method: 'GET',
    path: '/contacts',
    summary: 'List contacts, newest first: by search, segment, or a number in Results',
    scope: 'contacts:read',
    lenders: true,
    query: questionSchema.keys({
      ...period,
      sort: Joi.string().valid(...CONTACT_SORTS),
      order: Joi.string().valid('asc', 'desc'),
      limit,
      cursor,
    }),
    answer: answer<
      Listed<ContactView> & { approximate: boolean; total?: number | undefined; total_capped?: boolean | undefined }
    >(),
  },
  countContacts: {
    method: 'GET',
    path: '/contacts/count',
    summary: 'Count matching contacts',
    scope: 'contacts:read',
    lenders: true,
    query: questionSchema.keys(period),
    answer: answer<{ count: number }>(),
  },
  getContact: {
    method: 'GET',
    path: '/contacts/{id}',
    summary: 'Get a contact',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<ContactView & PermissionsView & MoreView>(),
  },
  updateContact: {
    method: 'PATCH',
    path: '/contacts/{id}',
    summary: 'Change a contact',
    scope: 'contacts:write',
    body: contactPatchSchema,
    answer: answer<ContactView>(),
  },
  setAddresses: {
    method: 'PUT',
    path: '/contacts/{id}/addresses',
    summary: 'Replace a contact’s phone numbers, emails, or both, in order',
    scope: 'contacts:write',
    body: addressesSchema,
    answer: nothing,
  },
  setPinnedNote: {
    method: 'PUT',
    path: '/contacts/{id}/pinned-note',
    summary: 'Pin or unpin a contact’s note',
    scope: 'contacts:write',
    body: Joi.object({ note_id: id.required().allow(null) }),
    answer: nothing,
  },
  listTimeline: {
    method: 'GET',
    path: '/contacts/{id}/timeline',
    summary: 'List a contact’s timeline, newest first',
    scope: 'contacts:read',
    lenders: true,
    query: page.keys({ group: Joi.string().valid(...TIMELINE_GROUP_KEYS) }),
    answer: answer<Listed<TimelineItem>>(),
  },
  listEnrollments: {
    method: 'GET',
    path: '/contacts/{id}/enrollments',
    was: '/contacts/{id}/enrolments',
    summary: 'List a contact’s enrollments',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ items: EnrollmentView[] }>(),
  },
  setLenders: {
    method: 'PUT',
    path: '/contacts/{id}/lenders',
    summary: 'Set who is attached as lender; each new one is told',
    scope: 'contacts:write',
    body: Joi.object({ lender_ids: Joi.array().items(id).max(5).unique().required() }),
    answer: nothing,
  },
  addNote: {
    method: 'POST',
    path: '/contacts/{id}/notes',
    summary: 'Add a note',
    scope: 'contacts:write',
    body: Joi.object({ text: Joi.string().max(20_000).allow('').required() }),
    answer: answer<{ id: string }>(),
  },
  reportActivity: {
    method: 'POST',
    path: '/contacts/{id}/activities',
    summary: 'Report outside activity: a home search visit, a saved home, an opened email, an incoming call',
    scope: 'contacts:write',
    body: Joi.object({
      kind: Joi.string()
        .valid(...REPORTED_KINDS)
        .required(),
      at: instant,
      text: Joi.string().max(500).allow('').default(''),
      talk_seconds: Joi.number().integer().min(0).max(86_400).default(0),
    }),
    answer: answer<{ id: string }>(),
  },
  sendMessage: {
    method: 'POST',
    path: '/contacts/{id}/messages',
    summary: 'Send a text, email, or letter to a contact; `both` writes to the household',
    scope: 'contacts:write',
    body: Joi.object({
      channel: Joi.string()
        .valid(...SEND_CHANNELS)
        .required(),
      subject: Joi.string().max(200).allow('', null),
      text: Joi.string().max(50_000).allow('').required(),
      both: Joi.boolean().default(false),
    }),
    answer: answer<SendResult>(),
  },
  setNextTouch: {
    method: 'PUT',
    path: '/contacts/{id}/next-touch',
    summary: 'Set or clear a contact’s next touch',
    scope: 'contacts:write',
    body: Joi.object({
      at: instant.allow(null).required(),
      note: Joi.string().max(500).allow('').default(''),
      appointment: Joi.boolean().default(false),
    }),
    answer: answer<ContactView>(),
  },
  setPermission: {
    method: 'PUT',
    path: '/contacts/{id}/permissions',
    summary: 'Record a permission as given or withdrawn',
    scope: 'contacts:write',
    body: Joi.object({
      channel: Joi.string()
        .valid(...CHANNEL_KEYS)
        .required(),
      state: Joi.string().valid('granted', 'withdrawn').required(),
      evidence: Joi.string().max(500).allow('').default(''),
    }),
    answer: nothing,
  },
  stopEnrollment: {
    method: 'POST',
    path: '/enrollments/{id}/stop',
    was: '/enrolments/{id}/stop',
    summary: 'Stop a contact’s enrollment',
    scope: 'contacts:write',
    answer: nothing,
  },
} as const satisfies Record<string, Operation>;
