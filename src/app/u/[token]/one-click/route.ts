/** One click from a mail program (RFC 8058) or the button of the page: the address comes off the list. No cookie, no redirect for programs. */
import { problem } from '@/app/_http/problem';
import { unsubscribe } from '@/server/messages';
import { config } from '@/server/shared';

export async function POST(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  try {
    const { token } = await params;
    await unsubscribe(token);
    const form = new URLSearchParams(await request.text());
    if (form.get('page')) return Response.redirect(`${config().publicUrl}/u/${token}`, 303);
    return new Response('You get no more e-mails from us.\n', { headers: { 'content-type': 'text/plain; charset=utf-8' } });
  } catch (error) {
    return problem(error);
  }
}
