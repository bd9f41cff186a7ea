/** The picture of one point in mails that went by themselves. It is given out whatever the token says; only ours is counted. */
import { noteOpened } from '@/server/messages';
import { problem } from '@/app/_http/problem';

const POINT = Buffer.from('R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7', 'base64');

export async function GET(_request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  try {
    await noteOpened((await params).token);
    return new Response(new Uint8Array(POINT), { headers: { 'content-type': 'image/gif', 'cache-control': 'no-store' } });
  } catch (error) {
    return problem(error);
  }
}
