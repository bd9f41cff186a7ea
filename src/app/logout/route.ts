/** Logging out: the session ends on the server, the cookie goes. */
import { cookies } from 'next/headers';
import { problem } from '@/app/_http/problem';
import { principalOf, SESSION_COOKIE } from '@/app/_http/principal';
import { logOut } from '@/server/accounts';

export async function POST(request: Request): Promise<Response> {
  try {
    await principalOf(request);
    const jar = await cookies();
    const token = jar.get(SESSION_COOKIE)?.value;
    if (token) await logOut(token);
    jar.delete(SESSION_COOKIE);
    return new Response(null, { status: 204 });
  } catch (error) {
    return problem(error);
  }
}
