/** A mail becomes an inquiry, as a person reads it. */
import { convertToInquiry } from '@/server/messages';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.convertLeadMail, async ({ principal, params, body: { marks, ...form } }) =>
  created(await convertToInquiry(principal, params.id, form, marks)),
);
