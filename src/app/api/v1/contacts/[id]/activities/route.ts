/** What a person did elsewhere. */
import { reportActivity } from '@/server/contacts';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.reportActivity, async ({ principal, params, body }) =>
  created(await reportActivity(principal, params.id, body)),
);
