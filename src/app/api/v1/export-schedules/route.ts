/** Exports that come back by themselves. */
import { createSchedule, listSchedules } from '@/server/exports';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listSchedules, async ({ principal }) => ({ items: await listSchedules(principal) }));
export const POST = route(OPERATIONS.createSchedule, async ({ principal, body }) =>
  created(await createSchedule(principal, body)),
);
