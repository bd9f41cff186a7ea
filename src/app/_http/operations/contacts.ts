/** The operations of contacts: lists, one of them, what happened and what is next. */
import Joi from 'joi';
import { CONTACT_SORTS, contactPatchSchema } from '@/server/contacts';
import { questionSchema } from '@/core/segments/schemas';
import { CHANNELS, REPORTED_KINDS } from '@/core/contacts';
import type { Operation } from './operation';
import { cursor, instant, limit, page, period } from './parts';

export const CONTACTS_OPERATIONS = {
  listContacts: {
    method: 'GET',
    path: '/contacts',
    summary: 'Contacts, the newest first: searched, of a segment, or those behind a number in Results',
    scope: 'contacts:read',
    lenders: true,
    query: questionSchema.keys({
      ...period,
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
    lenders: true,
    query: questionSchema.keys(period),
  },
  getContact: { method: 'GET', path: '/contacts/{id}', summary: 'One contact', scope: 'contacts:read', lenders: true },
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
    lenders: true,
    query: page,
  },
  listEnrollments: {
    method: 'GET',
    path: '/contacts/{id}/enrolments',
    summary: 'A contact’s ways through campaigns',
    scope: 'contacts:read',
    lenders: true,
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
  stopEnrollment: {
    method: 'POST',
    path: '/enrolments/{id}/stop',
    summary: 'Stop a contact’s way through a campaign',
    scope: 'contacts:write',
  },
} as const satisfies Record<string, Operation>;
