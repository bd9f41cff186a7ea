/** What somebody has set up for their own login. */
import { readLoginSecurity } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { passkeySite } from '@/app/_http/principal';
import { route, userOf } from '@/app/_http/route';

export const GET = route(OPERATIONS.getLoginSecurity, async ({ request, principal }) => ({
  ...(await readLoginSecurity(userOf(principal))),
  passkeys_work: passkeySite(request.headers) !== null,
}));
