/**
 * The address of a door for programs, for senders that can only call an address: JSON or a form, of any shape. Its secret is its right.
 * Other sites' pages may send to it too, and read the answer.
 */
import { doorOfSecret } from '@/server/capture';
import { limitRate } from '@/server/shared';
import { throughDoor } from '@/app/_http/door';
import { problem } from '@/app/_http/problem';
import { addressOf } from '@/app/_http/client';

/** So many a minute by one door, and by it from one address. */
const MOST_A_MINUTE = 600;
const MOST_FROM_ONE = 120;
const OPEN = {
  'access-control-allow-origin': '*',
  'access-control-allow-headers': 'content-type, idempotency-key',
  'access-control-allow-methods': 'POST, OPTIONS',
};

export async function POST(request: Request, { params }: { params: Promise<{ secret: string }> }): Promise<Response> {
  const { secret } = await params;
  let answer: Response;
  try {
    await limitRate(`in:${secret.slice(0, 20)}`, MOST_A_MINUTE, 60);
    await limitRate(`in:${secret.slice(0, 20)}:${addressOf(request)}`, MOST_FROM_ONE, 60);
    const door = await doorOfSecret(secret.slice(0, 40));
    const key = request.headers.get('idempotency-key')?.slice(0, 200);
    answer = await throughDoor(door, request, {
      sandbox: new URL(request.url).searchParams.get('sandbox') === 'true',
      idempotencyKey: key ? `address: ${key}` : null,
    });
  } catch (error) {
    answer = problem(error);
  }
  for (const [name, value] of Object.entries(OPEN)) answer.headers.set(name, value);
  return answer;
}

export const OPTIONS = (): Response => new Response(null, { status: 204, headers: OPEN });
