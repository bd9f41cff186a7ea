/** The operations of calls. */
import Joi from 'joi';
import { OUTCOME_KEYS } from '@/core/calling';
import type { CallView } from '@/core/calling';
import { answer, nothing, type Operation } from './operation';

export const CALLING_OPERATIONS = {
  startCall: {
    method: 'POST',
    path: '/contacts/{id}/calls',
    summary: 'Call a contact',
    scope: 'contacts:write',
    only: 'user',
    body: Joi.object({ number: Joi.string().max(20).example('+15645550123') }).default({}),
    answer: answer<CallView>(),
  },
  getCall: { method: 'GET', path: '/calls/{id}', summary: 'Get a call', scope: 'contacts:read', answer: answer<CallView>() },
  updateCall: {
    method: 'PATCH',
    path: '/calls/{id}',
    summary: 'Save a call’s note or outcome',
    scope: 'contacts:write',
    body: Joi.object({ note: Joi.string().max(20_000).allow(''), outcome: Joi.string().valid(...OUTCOME_KEYS) }).min(1),
    answer: answer<CallView>(),
  },
  hangUp: { method: 'POST', path: '/calls/{id}/hang-up', summary: 'End a call', scope: 'contacts:write', answer: nothing },
} as const satisfies Record<string, Operation>;
