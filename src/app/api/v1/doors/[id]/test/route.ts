/** A test lead by a door. */
import { sendTestLead } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.sendTestLead, async ({ principal, params }) =>
  created(await sendTestLead(principal, params.id)),
);
