/** Pictures of public pages, shown to everybody. */
import { readPicture } from '@/server/files';
import { notFound } from '@/core/shared';
import { problem } from '@/app/_http/problem';

export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  try {
    const { id } = await params;
    if (!/^\d{1,18}$/.test(id)) throw notFound('picture');
    const { type, bytes } = await readPicture(id);
    return new Response(new Uint8Array(bytes), {
      headers: {
        'content-type': type,
        'cache-control': 'public, max-age=31536000, immutable',
        'content-security-policy': "default-src 'none'",
      },
    });
  } catch (error) {
    return problem(error);
  }
}
