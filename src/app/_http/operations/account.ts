/** The operations of the account: what each set for themselves, settings, keys, messages that do not get out, the clock. */
import Joi from 'joi';
import { KEY_SCOPES } from '@/core/accounts';
import { settingsSchema } from '@/core/accounts/schemas';
import type { PREFERENCE_KEYS } from '@/server/accounts';
import { formatSchema } from '@/core/format/schemas';
import type { AuditView, KeyView, SessionView, SettingsView } from '@/core/accounts';
import type { ParkedView } from '@/core/messages';
import type { WireView } from '@/core/today';
import { answer, nothing, type Listed, type Operation } from './operation';
import { id, instant, page } from './parts';

/** What is kept of each; of what only a page reads, whatever the page says. */
const PREFERENCES: Record<(typeof PREFERENCE_KEYS)[number], Joi.Schema> = {
  contacts_grid: Joi.object().unknown(true),
  format: formatSchema,
  /** What is open, folded or narrowed, by the name that a page gives it. */
  view: Joi.object()
    .pattern(
      /^[a-z_]{1,40}$/,
      Joi.alternatives(Joi.string().max(60), Joi.boolean(), Joi.array().items(Joi.string().max(60)).max(60)),
    )
    .max(60)
    .example({ dossier_tab: 'details' }),
  lead_alerts: Joi.object({ sound: Joi.boolean().required(), browser: Joi.boolean().required() }),
};

/** What is wrong with a new one the service says, in words; a body that is longer is read no further. */
const password = Joi.string().max(1_000).example('gulls over cold porridge');

export const ACCOUNT_OPERATIONS = {
  getPreferences: {
    method: 'GET',
    path: '/preferences',
    summary: 'Get your preferences',
    scope: 'contacts:read',
    lenders: true,
    only: 'user',
    answer: answer<Record<string, unknown>>(),
  },
  setPreferences: {
    method: 'PUT',
    path: '/preferences',
    summary: 'Change your preferences, such as grid columns',
    scope: 'contacts:read',
    lenders: true,
    only: 'user',
    body: Joi.object(PREFERENCES).min(1),
    answer: nothing,
  },
  listSessions: {
    method: 'GET',
    path: '/sessions',
    summary: 'List the devices you’re logged in on',
    scope: 'contacts:read',
    lenders: true,
    only: 'user',
    answer: answer<{ items: SessionView[] }>(),
  },
  endOtherSessions: {
    method: 'DELETE',
    path: '/sessions',
    summary: 'Log out everywhere else',
    scope: 'contacts:read',
    lenders: true,
    only: 'user',
    answer: answer<{ ended: number }>(),
  },
  endSession: {
    method: 'DELETE',
    path: '/sessions/{id}',
    summary: 'Log out one of your devices',
    scope: 'contacts:read',
    lenders: true,
    only: 'user',
    answer: nothing,
  },
  changePassword: {
    method: 'PUT',
    path: '/password',
    summary: 'Change your password; your other devices are logged out',
    scope: 'contacts:read',
    lenders: true,
    only: 'user',
    body: Joi.object({ current_password: password.required(), new_password: password.required() }),
    answer: nothing,
  },
  getWire: {
    method: 'GET',
    path: '/wire',
    summary: 'Get the counts on the Wire',
    scope: 'contacts:read',
    lenders: true,
    only: 'user',
    answer: answer<WireView>(),
  },
  getSettings: {
    method: 'GET',
    path: '/settings',
    summary: 'Get account settings',
    scope: 'routing:read',
    answer: answer<SettingsView>(),
  },
  updateSettings: {
    method: 'PATCH',
    path: '/settings',
    summary: 'Change account settings',
    scope: 'setup:write',
    only: 'office',
    body: settingsSchema,
    answer: answer<SettingsView>(),
  },
  listAudit: {
    method: 'GET',
    path: '/audit',
    summary: 'List or search the audit log, newest first',
    scope: 'setup:write',
    only: 'office',
    query: page.keys({ q: Joi.string().max(200).allow('').example('export') }),
    answer: answer<Listed<AuditView>>(),
  },
  listKeys: {
    method: 'GET',
    path: '/keys',
    summary: 'List API keys, without secrets',
    scope: 'setup:write',
    only: 'office',
    answer: answer<{ items: KeyView[] }>(),
  },
  createKey: {
    secret: true,
    method: 'POST',
    confirm: true,
    path: '/keys',
    summary: 'Create an API key; its secret is shown once',
    scope: 'setup:write',
    only: 'user',
    body: Joi.object({
      name: Joi.string().min(1).max(80).required(),
      scopes: Joi.array()
        .items(Joi.string().valid(...KEY_SCOPES))
        .min(1)
        .required(),
      door_id: id.allow(null),
      days: Joi.number().integer().min(1).max(3_650).allow(null),
    }),
    answer: answer<KeyView & { key: string }>(),
  },
  rotateKey: {
    secret: true,
    method: 'POST',
    confirm: true,
    path: '/keys/{id}/rotate',
    summary: 'Rotate an API key; the new secret is shown once, and the old one works a few more hours',
    scope: 'setup:write',
    only: 'user',
    body: Joi.object({ hours: Joi.number().integer().min(0).max(720).default(24) }).default({}),
    answer: answer<KeyView & { key: string }>(),
  },
  revokeKey: {
    method: 'DELETE',
    confirm: true,
    path: '/keys/{id}',
    summary: 'Revoke an API key',
    scope: 'setup:write',
    only: 'user',
    answer: nothing,
  },
  listStuck: {
    method: 'GET',
    path: '/outbox/stuck',
    summary: 'List stuck messages',
    scope: 'setup:write',
    only: 'office',
    answer: answer<{ items: ParkedView[] }>(),
  },
  retryStuck: {
    method: 'POST',
    path: '/outbox/retry',
    summary: 'Retry stuck messages now',
    scope: 'setup:write',
    only: 'office',
    answer: answer<{ retried: number }>(),
  },
  advance: {
    method: 'POST',
    path: '/simulation/advance',
    summary: 'Advance the simulated clock; responds when everything due is done',
    scope: 'simulation',
    body: Joi.object({ by: Joi.string().max(40), to: instant, next: Joi.boolean().valid(true) })
      .xor('by', 'to', 'next')
      .example({ by: 'P1D' }),
    answer: answer<{ now: Date; simulated: boolean; held: boolean; reached: Date | null; instants: number }>(),
  },
  getSimulation: {
    method: 'GET',
    path: '/simulation',
    summary: 'Get the clock',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ now: Date; simulated: boolean; held: boolean }>(),
  },
} as const satisfies Record<string, Operation>;
