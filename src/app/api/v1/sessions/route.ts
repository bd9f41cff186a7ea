/** The browsers in which somebody is logged in. */
import { endOtherSessions, listSessions } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { sessionToken } from '@/app/_http/principal';
import { route, userOf } from '@/app/_http/route';

export const GET = route(OPERATIONS.listSessions, async ({ principal }) => ({
  items: await listSessions(userOf(principal), await sessionToken()),
}));

export const DELETE = route(OPERATIONS.endOtherSessions, async ({ principal }) =>
  endOtherSessions(userOf(principal), await sessionToken()),
);
