/** A link in a mail that went by itself: noted, and on to where it leads. It leads nowhere but to what stood in the mail. */
import { followLink } from '@/server/messages';
import { problem } from '@/app/_http/problem';

export async function GET(_request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  try {
    const url = await followLink((await params).token);
    return new Response(null, {
      status: 302,
      headers: { location: url, 'cache-control': 'no-store', 'referrer-policy': 'no-referrer' },
    });
  } catch (error) {
    return problem(error);
  }
}
