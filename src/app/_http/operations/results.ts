/** The operations of Today and Results: whom to contact now, and what came of it. */
import Joi from 'joi';
import { SPEED_BY } from '@/core/results';
import type { Operation } from './operation';
import { period } from './parts';

export const RESULTS_OPERATIONS = {
  getToday: { method: 'GET', path: '/today', summary: 'Whom to contact now, and why', scope: 'contacts:read', only: 'user' },
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
} as const satisfies Record<string, Operation>;
