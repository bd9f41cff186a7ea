/** One's authenticator app: a secret for it, its first code, and off again. */
import QRCode from 'qrcode';
import { beginTotp, confirmTotp, removeTotp } from '@/server/accounts';
import { loginClientIn } from '@/app/_http/client';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route, userOf } from '@/app/_http/route';

export const POST = route(OPERATIONS.beginTotp, async ({ principal }) => {
  const { secret, uri } = await beginTotp(userOf(principal));
  return { secret, uri, qr: await QRCode.toString(uri, { type: 'svg', margin: 1 }) };
});

export const PUT = route(OPERATIONS.confirmTotp, ({ request, principal, body }) =>
  confirmTotp(userOf(principal), body.code, loginClientIn(request.headers)),
);

export const DELETE = route(OPERATIONS.removeTotp, async ({ request, principal }) => {
  await removeTotp(userOf(principal), loginClientIn(request.headers));
  return done();
});
