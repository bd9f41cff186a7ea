/** A passkey that the browser has made. */
import { savePasskey } from '@/server/accounts';
import { loginClientIn } from '@/app/_http/client';
import { OPERATIONS } from '@/app/_http/operations';
import { cookieValue, dropCookie, requirePasskeySite } from '@/app/_http/principal';
import { done, route, userOf } from '@/app/_http/route';

export const POST = route(OPERATIONS.savePasskey, async ({ request, principal, body: { name, response } }) => {
  const token = (await cookieValue('urraca_step')) ?? '';
  const made = { name, response: response as unknown as Parameters<typeof savePasskey>[2]['response'] };
  await savePasskey(userOf(principal), token, made, requirePasskeySite(request.headers), loginClientIn(request.headers));
  await dropCookie('urraca_step');
  return done();
});
