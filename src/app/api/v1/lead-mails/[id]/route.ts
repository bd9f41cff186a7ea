/** One mail that came to a lead mailbox. */
import { findLeadMail, setLeadMailAside } from '@/server/messages';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getLeadMail, ({ scope, params }) => findLeadMail(scope, params.id));
export const PATCH = route(OPERATIONS.updateLeadMail, ({ principal, params, body }) =>
  setLeadMailAside(principal, params.id, body.state === 'set_aside'),
);
