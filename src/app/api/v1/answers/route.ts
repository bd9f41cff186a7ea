/** Conversations with contacts, the latest first. */
import { listAnswers } from '@/server/messages';
import { OPERATIONS } from '@/app/_http/operations';
import { listed, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listAnswers, async ({ request, scope, query }) =>
  listed(request, await listAnswers(scope, query)),
);
