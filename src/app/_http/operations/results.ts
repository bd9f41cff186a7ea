/** The operations of Today and Results: whom to contact now, and what came of it. */
import Joi from 'joi';
import { SPEED_BY } from '@/core/results';
import type { CallView } from '@/core/calling';
import type { ResultRow, SpeedRow } from '@/core/results';
import type { TodayEntry } from '@/core/today';
import { answer, type Operation } from './operation';
import { period } from './parts';

export const RESULTS_OPERATIONS = {
  getToday: {
    method: 'GET',
    path: '/today',
    summary: 'Get Today: who to contact now, and why',
    scope: 'contacts:read',
    only: 'user',
    answer: answer<{
      call: CallView | null;
      groups: { key: string; name: string; entries: TodayEntry[] }[];
      total: number;
      done: number;
      goal: number;
      now: Date;
    }>(),
  },
  getResults: {
    method: 'GET',
    path: '/results',
    summary: 'Get lead results for a period, by agent and in total',
    scope: 'results:read',
    query: Joi.object(period),
    answer: answer<{ from: Date; to: Date; conversation_seconds: number; rows: ResultRow[] }>(),
  },
  getSpeed: {
    method: 'GET',
    path: '/results/speed',
    summary: 'Get speed to lead for a period by agent, roster, door, or hour of the week',
    scope: 'results:read',
    query: Joi.object({
      ...period,
      by: Joi.string()
        .valid(...SPEED_BY)
        .default('agent'),
    }),
    answer: answer<{ items: SpeedRow[] }>(),
  },
} as const satisfies Record<string, Operation>;
