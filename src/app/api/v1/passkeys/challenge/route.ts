/** What a browser is asked before it makes a passkey. */
import { beginPasskey, CHALLENGE_SECONDS } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { requirePasskeySite, setCookie } from '@/app/_http/principal';
import { route, userOf } from '@/app/_http/route';

export const POST = route(OPERATIONS.beginPasskey, async ({ request, principal }) => {
  const { options, token } = await beginPasskey(userOf(principal), requirePasskeySite(request.headers));
  await setCookie('urraca_step', token, CHALLENGE_SECONDS);
  return { options };
});
