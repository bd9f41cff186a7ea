/** Mails that came to lead mailboxes. */
import { listLeadMails } from '@/server/messages';
import { OPERATIONS } from '@/app/_http/operations';
import { listed, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listLeadMails, async ({ request, scope, query }) =>
  listed(request, await listLeadMails(scope, query.state ?? null, query.limit, query.cursor)),
);
