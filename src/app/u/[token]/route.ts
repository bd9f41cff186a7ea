/**
 * The unsubscribe link of an email: its page shows whose list it is and takes the address off by one button, so that a link checker takes
 * nobody off; a mail program posts to the same address (RFC 8058). No cookie, no redirect, so that it works behind any proxy.
 */
import { AppError } from '@/core/shared';
import { log } from '@/app/_http/log';
import { oneButton, plainPage } from '@/app/_http/plain';
import { problem } from '@/app/_http/problem';
import { readText } from '@/app/_http/route';
import { findUnsubscribe, unsubscribe } from '@/server/messages';

type Context = { params: Promise<{ token: string }> };
const MOST_BYTES = 10_000;
const ONE_CLICK = { 'List-Unsubscribe': 'One-Click', page: '1' };

const pageOf = ({ brokerage, value, withdrawn }: Awaited<ReturnType<typeof findUnsubscribe>>): Response =>
  withdrawn
    ? plainPage(200, 'You’re unsubscribed', `${brokerage} won’t email ${value} anymore.`)
    : plainPage(200, 'Unsubscribe?', `${brokerage} will stop emailing ${value}.`, oneButton('Unsubscribe', ONE_CLICK));

function failed(error: unknown): Response {
  if (error instanceof AppError && error.code === 'not_found')
    return plainPage(
      404,
      'This link doesn’t work',
      'It may be incomplete. Use the link in our latest email, or reply to it and say “stop”.',
    );
  if (!(error instanceof AppError)) log.error({ err: error }, 'unexpected failure');
  return plainPage(503, 'That didn’t work', 'Please try again in a minute, or reply to our email and say “stop”.');
}

export async function GET(_: Request, { params }: Context): Promise<Response> {
  try {
    return pageOf(await findUnsubscribe((await params).token));
  } catch (error) {
    return failed(error);
  }
}

export async function POST(request: Request, { params }: Context): Promise<Response> {
  let byPage = false;
  try {
    byPage = new URLSearchParams(await readText(request, MOST_BYTES)).has('page');
    const { token } = await params;
    await unsubscribe(token);
    if (byPage) return pageOf(await findUnsubscribe(token));
    return new Response('You’re unsubscribed.\n', { headers: { 'content-type': 'text/plain; charset=utf-8' } });
  } catch (error) {
    return byPage ? failed(error) : problem(error);
  }
}
