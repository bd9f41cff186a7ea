/** New senders to lead mailboxes. */
import { listSenders } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listSenders, async ({ principal }) => ({ items: await listSenders(principal) }));
