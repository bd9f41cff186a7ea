/** Two contacts become one. */
import { mergeContacts } from '@/server/duplicates';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.mergeContacts, ({ principal, params, body }) =>
  mergeContacts(principal, params.id, body.other_id, body.choices),
);
