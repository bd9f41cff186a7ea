/** The operations of the account: what each set for themselves, settings, keys, messages that do not get out, the clock. */
import Joi from 'joi';
import { KEY_SCOPES } from '@/core/accounts';
import { settingsSchema } from '@/core/accounts/schemas';
import type { PREFERENCE_KEYS } from '@/server/accounts';
import { formatSchema } from '@/core/format/schemas';
import type { AuditView, KeyView, SettingsView } from '@/core/accounts';
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

export const ACCOUNT_OPERATIONS = {
  getPreferences: {
    method: 'GET',
    path: '/preferences',
    summary: 'What one set for oneself',
    scope: 'contacts:read',
    lenders: true,
    only: 'user',
    answer: answer<Record<string, unknown>>(),
  },
  setPreferences: {
    method: 'PUT',
    path: '/preferences',
    summary: 'Set something for oneself, such as the columns of the grid',
    scope: 'contacts:read',
    lenders: true,
    only: 'user',
    body: Joi.object(PREFERENCES).min(1),
    answer: nothing,
  },
  getWire: {
    method: 'GET',
    path: '/wire',
    summary: 'The numbers on the Wire',
    scope: 'contacts:read',
    lenders: true,
    only: 'user',
    answer: answer<WireView>(),
  },
  getSettings: {
    method: 'GET',
    path: '/settings',
    summary: 'Guardrails and measures',
    scope: 'routing:read',
    answer: answer<SettingsView>(),
  },
  updateSettings: {
    method: 'PATCH',
    path: '/settings',
    summary: 'Change guardrails and measures',
    scope: 'setup:write',
    only: 'office',
    body: settingsSchema,
    answer: answer<SettingsView>(),
  },
  listAudit: {
    method: 'GET',
    path: '/audit',
    summary: 'Who changed access, settings, routing or the data as a whole, the latest first',
    scope: 'setup:write',
    only: 'office',
    query: page,
    answer: answer<Listed<AuditView>>(),
  },
  listKeys: {
    method: 'GET',
    path: '/keys',
    summary: 'API keys, without the keys',
    scope: 'setup:write',
    only: 'office',
    answer: answer<{ items: KeyView[] }>(),
  },
  createKey: {
    secret: true,
    method: 'POST',
    path: '/keys',
    summary: 'Make an API key; the answer shows it once',
    scope: 'setup:write',
    only: 'user',
    body: Joi.object({
      name: Joi.string().min(1).max(80).required(),
      scopes: Joi.array()
        .items(Joi.string().valid(...KEY_SCOPES))
        .min(1)
        .required(),
      door_id: id.allow(null),
    }),
    answer: answer<KeyView & { key: string }>(),
  },
  rotateKey: {
    secret: true,
    method: 'POST',
    path: '/keys/{id}/rotate',
    summary: 'Change an API key for a new one, shown once; the old one works for some hours more',
    scope: 'setup:write',
    only: 'user',
    body: Joi.object({ hours: Joi.number().integer().min(0).max(720).default(24) }).default({}),
    answer: answer<KeyView & { key: string }>(),
  },
  revokeKey: {
    method: 'DELETE',
    path: '/keys/{id}',
    summary: 'Revoke an API key',
    scope: 'setup:write',
    only: 'user',
    answer: nothing,
  },
  listStuck: {
    method: 'GET',
    path: '/outbox/stuck',
    summary: 'Messages that do not get out',
    scope: 'setup:write',
    only: 'office',
    answer: answer<{ items: ParkedView[] }>(),
  },
  retryStuck: {
    method: 'POST',
    path: '/outbox/retry',
    summary: 'Try them again now',
    scope: 'setup:write',
    only: 'office',
    answer: answer<{ retried: number }>(),
  },
  advance: {
    method: 'POST',
    path: '/simulation/advance',
    summary: 'Let simulated time pass; answers when everything due in between has been done',
    scope: 'simulation',
    body: Joi.object({ by: Joi.string().max(40), to: instant, next: Joi.boolean().valid(true) })
      .xor('by', 'to', 'next')
      .example({ by: 'P1D' }),
    answer: answer<{ now: Date; simulated: boolean; held: boolean; reached: Date | null; instants: number }>(),
  },
  getSimulation: {
    method: 'GET',
    path: '/simulation',
    summary: 'The clock',
    scope: 'contacts:read',
    lenders: true,
    answer: answer<{ now: Date; simulated: boolean; held: boolean }>(),
  },
} as const satisfies Record<string, Operation>;
