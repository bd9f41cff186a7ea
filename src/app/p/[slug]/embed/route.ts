/** A contact form inside another site's page. */
import { AppError } from '@/core/shared';
import { receiveVisitor } from '@/server/pages';
import { addressOf } from '@/app/_http/client';
import { documentOf, readSent, stateAfter, withPage } from '@/app/_http/visit';

type Context = { params: Promise<{ slug: string }> };
const only = (kind: string): void => {
  if (kind !== 'form') throw new AppError('not_found', 'Page not found.');
};

export async function GET(request: Request, { params }: Context): Promise<Response> {
  return withPage((await params).slug, async (shown) => {
    only(shown.page.kind);
    return documentOf(request, shown, { embedded: true });
  });
}

export async function POST(request: Request, { params }: Context): Promise<Response> {
  return withPage((await params).slug, async (shown) => {
    only(shown.page.kind);
    const sent = await readSent(request);
    try {
      await receiveVisitor(shown, sent, { address: addressOf(request), visitor: null });
    } catch (error) {
      return documentOf(request, shown, { embedded: true, state: stateAfter(error, sent) });
    }
    return documentOf(request, shown, { embedded: true, state: { values: {}, errors: {}, message: null, thanked: true } });
  });
}
