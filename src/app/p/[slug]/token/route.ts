/** A fresh token for a sign-in page that lay without a network for long. */
import { openPage, pageToken } from '@/server/pages';
import { problem } from '@/app/_http/problem';

export async function GET(_request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  try {
    return Response.json({ token: pageToken(await openPage((await params).slug)) }, { headers: { 'cache-control': 'no-store' } });
  } catch (error) {
    return problem(error);
  }
}
