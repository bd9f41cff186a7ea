/** The next touch. */
import { setNextTouch } from '@/server/contacts';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const PUT = route(OPERATIONS.setNextTouch, ({ principal, params, body }) =>
  setNextTouch(principal, params.id, body.at ? new Date(body.at) : null, body.note, body.appointment),
);
