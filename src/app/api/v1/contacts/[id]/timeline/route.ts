/** What happened to a contact. */
import { listTimeline } from '@/server/contacts';
import { OPERATIONS } from '@/app/_http/operations';
import { listed, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listTimeline, async ({ request, scope, params, query }) =>
  listed(request, await listTimeline(scope, params.id, query.limit, query.cursor, undefined, query.group)),
);
