/** What a person marked in a mail, for the next of its kind. */
import { teachLeadMail } from '@/server/messages';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.teachLeadMail, ({ principal, params, body }) =>
  teachLeadMail(principal, params.id, body.marks),
);
