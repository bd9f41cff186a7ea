/** Logging out: the session ends on the server, the cookie goes. */
import { problem } from '@/app/_http/problem';
import { dropCookie, principalOf, sessionToken } from '@/app/_http/principal';
import { logOut } from '@/server/accounts';

export async function POST(request: Request): Promise<Response> {
  try {
    await principalOf(request, true);
    const token = await sessionToken();
    if (token) await logOut(token);
    await dropCookie('urraca_session');
    return new Response(null, { status: 204 });
  } catch (error) {
    return problem(error);
  }
}
