/** The operations of messages: templates and their checks, A/B tests, files, broadcasts, and what people answer. */
import Joi from 'joi';
import { BROADCAST_PEOPLE } from '@/core/messages';
import { wordsSchema } from '@/core/messages/schemas';
import { questionSchema } from '@/core/segments/schemas';
import { CHANNEL_KEYS, SEND_CHANNELS } from '@/core/contacts';
import type {
  AbTestView,
  AnswerView,
  AttachedFile,
  BroadcastView,
  CheckedView,
  MergeField,
  Reach,
  TemplateView,
  VariantView,
} from '@/core/messages';
import type { BroadcastPerson } from '@/server/broadcasts';
import { answer, nothing, type Download, type Listed, type Operation } from './operation';
import { id } from './parts';

const name = Joi.string().trim().min(1).max(80);
const channel = Joi.string()
  .valid(...CHANNEL_KEYS)
  .required();
const words = wordsSchema.required();
const read = { scope: 'contacts:read' } as const;
const write = { scope: 'contacts:write' } as const;

const selection = Joi.object({
  ids: Joi.array().items(id).max(10_000),
  segments: Joi.array().items(id).max(100),
  question: questionSchema,
  except: Joi.array().items(id).max(10_000),
}).example({ segments: ['3'] });
const day = Joi.string().pattern(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'day such as 2026-12-20');
const clock = Joi.string().pattern(/^([01]\d|2[0-3]):[0-5]\d$/, 'clock time such as 09:00');
const printed = Joi.valid('house', 'here');
const goes = Joi.alternatives(
  Joi.object({ on: Joi.valid('now').required(), printed }),
  Joi.object({ on: Joi.valid('office', 'local').required(), day: day.required(), at: clock.required(), printed }),
);
const perMinute = Joi.number().integer().min(1).max(100_000);
const broadcastChannel = Joi.string()
  .valid(...SEND_CHANNELS)
  .required();

export const MESSAGE_OPERATIONS = {
  listTemplates: {
    method: 'GET',
    path: '/templates',
    summary: 'List templates with their results',
    ...read,
    answer: answer<{ items: TemplateView[] }>(),
  },
  getTemplate: {
    method: 'GET',
    path: '/templates/{id}',
    summary: 'Get a template with results by variant',
    ...read,
    answer: answer<TemplateView & { variants: VariantView[] }>(),
  },
  createTemplate: {
    method: 'POST',
    path: '/templates',
    summary: 'Create a template for texts, emails, letters, or call scripts',
    ...write,
    body: Joi.object({ channel, name: name.required(), words, shared: Joi.boolean() }),
    answer: answer<TemplateView>(),
  },
  updateTemplate: {
    method: 'PATCH',
    path: '/templates/{id}',
    summary: 'Change a template; new wording makes a new version',
    ...write,
    body: Joi.object({
      name,
      words: wordsSchema,
      shared: Joi.boolean(),
      day_cap: Joi.number().integer().min(1).max(1_000_000).allow(null),
      seen: Joi.number().integer().min(1),
    }).min(1),
    answer: answer<TemplateView>(),
  },
  deleteTemplate: { method: 'DELETE', path: '/templates/{id}', summary: 'Delete a template', ...write, answer: nothing },
  checkTemplate: {
    method: 'POST',
    path: '/templates/check',
    summary: 'Check wording: unknown fields, awkward results, spam filters, fair housing, similarity',
    ...write,
    body: Joi.object({ channel, words, id: id.allow(null) }),
    answer: answer<CheckedView>(),
  },
  sendTrial: {
    method: 'POST',
    path: '/messages/try',
    summary: 'Send yourself a test message',
    ...write,
    only: 'user',
    body: Joi.object({
      trials: Joi.array().max(60).items(Joi.object({ channel, words })).required(),
      contact_id: id.allow(null),
    }),
    answer: answer<{ sent: number }>(),
  },
  listAbTests: {
    method: 'GET',
    path: '/ab-tests',
    was: '/challenges',
    summary: 'List A/B tests with results',
    ...read,
    answer: answer<{ items: AbTestView[] }>(),
  },
  createAbTest: {
    method: 'POST',
    path: '/ab-tests',
    was: '/challenges',
    summary: 'Create an A/B test between templates of one channel',
    ...write,
    body: Joi.object({
      name: name.required(),
      template_ids: Joi.array().items(id).min(2).max(6).unique().required().example(['41', '42']),
    }),
    answer: answer<AbTestView>(),
  },
  endAbTest: {
    method: 'PATCH',
    path: '/ab-tests/{id}',
    was: '/challenges/{id}',
    summary: 'Pick an A/B test’s winner, or let it continue',
    ...write,
    body: Joi.object({ winner_id: id.allow(null).required() }),
    answer: answer<AbTestView>(),
  },
  deleteAbTest: {
    method: 'DELETE',
    path: '/ab-tests/{id}',
    was: '/challenges/{id}',
    summary: 'Delete an A/B test',
    ...write,
    answer: nothing,
  },
  uploadFile: {
    method: 'POST',
    path: '/files',
    summary: 'Upload an email attachment, up to 10 MB',
    ...write,
    file: true,
    query: Joi.object({ name: Joi.string().max(200).required() }),
    answer: answer<AttachedFile>(),
  },
  uploadPicture: {
    method: 'POST',
    path: '/pictures',
    summary: 'Upload a picture (PNG, JPEG, GIF, or WebP, up to 3 MB) for public pages and emails; returns its address',
    ...write,
    file: true,
    answer: answer<{ id: string; url: string }>(),
  },
  listBroadcasts: {
    method: 'GET',
    path: '/broadcasts',
    summary: 'List broadcasts with results',
    ...read,
    answer: answer<{ items: BroadcastView[] }>(),
  },
  getBroadcast: { method: 'GET', path: '/broadcasts/{id}', summary: 'Get a broadcast', ...read, answer: answer<BroadcastView>() },
  previewReach: {
    method: 'POST',
    path: '/broadcasts/reach',
    summary: 'Preview a broadcast’s audience, with who is left out and why',
    ...write,
    body: Joi.object({ channel: broadcastChannel, selection: selection.required(), per_minute: perMinute, goes }),
    answer: answer<Reach>(),
  },
  createBroadcast: {
    method: 'POST',
    path: '/broadcasts',
    summary: 'Create a broadcast draft; nothing is sent yet',
    ...write,
    body: Joi.object({
      name: name.required(),
      channel: broadcastChannel,
      template_id: id.allow(null),
      words: wordsSchema,
      selection: selection.required(),
      goes,
      per_minute: perMinute,
    }),
    answer: answer<BroadcastView>(),
  },
  updateBroadcast: {
    method: 'PATCH',
    path: '/broadcasts/{id}',
    summary: 'Change a draft',
    ...write,
    body: Joi.object({ name, template_id: id.allow(null), words: wordsSchema, selection, goes, per_minute: perMinute }).min(1),
    answer: answer<BroadcastView>(),
  },
  deleteBroadcast: { method: 'DELETE', path: '/broadcasts/{id}', summary: 'Delete a draft', ...write, answer: nothing },
  startBroadcast: {
    method: 'POST',
    path: '/broadcasts/{id}/start',
    right: 'broadcasts:send',
    summary: 'Send or schedule a broadcast',
    ...write,
    answer: answer<BroadcastView>(),
  },
  pauseBroadcast: {
    method: 'POST',
    path: '/broadcasts/{id}/pause',
    summary: 'Pause a broadcast immediately',
    ...write,
    answer: answer<BroadcastView>(),
  },
  resumeBroadcast: {
    method: 'POST',
    path: '/broadcasts/{id}/resume',
    summary: 'Resume a broadcast',
    ...write,
    answer: answer<BroadcastView>(),
  },
  cancelBroadcast: {
    method: 'POST',
    path: '/broadcasts/{id}/cancel',
    summary: 'Cancel the unsent part of a broadcast',
    ...write,
    answer: answer<BroadcastView>(),
  },
  copyBroadcast: {
    method: 'POST',
    path: '/broadcasts/{id}/copy',
    summary: 'Copy a broadcast as a draft',
    ...write,
    answer: answer<BroadcastView>(),
  },
  listBroadcastPeople: {
    method: 'GET',
    path: '/broadcasts/{id}/people',
    summary: 'List the contacts behind a broadcast’s number',
    ...read,
    query: Joi.object({
      what: Joi.string()
        .valid(...BROADCAST_PEOPLE)
        .required(),
      limit: Joi.number().integer().min(1).max(200).default(50),
      cursor: Joi.string().max(500),
    }),
    answer: answer<Listed<BroadcastPerson>>(),
  },
  orderPrint: {
    method: 'POST',
    path: '/broadcasts/{id}/print',
    summary: 'Create a PDF of a broadcast’s letters or labels',
    ...write,
    body: Joi.object({ what: Joi.valid('letters', 'labels').required() }),
    answer: answer<Record<string, never>>(),
  },
  readPrint: {
    method: 'GET',
    path: '/broadcasts/{id}/print',
    summary: 'Download a broadcast’s PDF; 202 while it’s being created',
    ...read,
    query: Joi.object({ what: Joi.valid('letters', 'labels').required() }),
    answer: answer<Download | Record<string, never>>(),
  },
  listAnswers: {
    method: 'GET',
    path: '/answers',
    summary: 'List conversations, newest first',
    ...read,
    query: Joi.object({
      unread: Joi.boolean().default(false),
      limit: Joi.number().integer().min(1).max(200).default(50),
      cursor: Joi.string().max(500),
    }),
    answer: answer<Listed<AnswerView>>(),
  },
  getMergeFields: {
    method: 'GET',
    path: '/contacts/{id}/merge-fields',
    summary: 'Get a contact’s merge field values',
    ...read,
    answer: answer<{ fields: Partial<Record<MergeField, string | null>>; texted_before: boolean; signature: string }>(),
  },
  markRead: {
    method: 'PUT',
    path: '/contacts/{id}/read',
    summary: 'Mark a contact’s messages as read or unread',
    ...write,
    body: Joi.object({ read: Joi.boolean().required() }),
    answer: nothing,
  },
} as const satisfies Record<string, Operation>;
