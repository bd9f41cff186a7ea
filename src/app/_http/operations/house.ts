/** The operations of the day’s work and the house: Today, calls, results, settings, keys, the outbox, the clock. */
import Joi from 'joi';
import { settingsSchema } from '@/core/accounts/schemas';
import { PREFERENCE_KEYS } from '@/server/accounts';
import { OUTCOME_KEYS } from '@/core/calling';
import { SPEED_BY } from '@/core/results';
import { KEY_SCOPES } from '@/core/accounts';
import type { Operation } from './operation';
import { id, instant, period } from './parts';

export const HOUSE_OPERATIONS = {
  getPreferences: {
    method: 'GET',
    path: '/preferences',
    summary: 'What one set for oneself',
    scope: 'contacts:read',
    lenders: true,
    only: 'person',
  },
  setPreferences: {
    method: 'PUT',
    path: '/preferences',
    summary: 'Set something for oneself, such as the columns of the grid',
    scope: 'contacts:read',
    lenders: true,
    only: 'person',
    body: Joi.object(Object.fromEntries(PREFERENCE_KEYS.map((key) => [key, Joi.object().unknown(true)]))).min(1),
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
  getToday: { method: 'GET', path: '/today', summary: 'Whom to contact now, and why', scope: 'contacts:read', only: 'person' },
  getWire: {
    method: 'GET',
    path: '/wire',
    summary: 'The numbers on the Wire',
    scope: 'contacts:read',
    lenders: true,
    only: 'person',
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
    secret: true,
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
    secret: true,
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
  getSimulation: { method: 'GET', path: '/simulation', summary: 'The clock', scope: 'contacts:read', lenders: true },
} satisfies Record<string, Operation>;
