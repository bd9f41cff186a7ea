/** A public page: given out as a document, and what visitors send from it. No login. */
import { criteriaOfWords, wordsOfCriteria } from '@/core/market';
import { AppError } from '@/core/shared';
import { marketNames } from '@/server/market';
import { homesOf, noteStep, receiveVisitor, type Shown, type Visitor } from '@/server/pages';
import { problem } from '@/app/_http/problem';
import { addressOf } from '@/app/_http/client';
import { documentOf, isJson, knownVisitor, viewingVisitor, readSent, stateAfter, withPage } from '@/app/_http/visit';
import type { SearchPlace } from '@/ui/pages/public';

type Context = { params: Promise<{ slug: string }> };

export async function GET(request: Request, { params }: Context): Promise<Response> {
  return withPage((await params).slug, async (shown) => {
    if (shown.page.kind !== 'search') return documentOf(request, shown);
    const { door } = shown;
    const step = { accountId: door.accountId, doorId: door.id, kind: 'visit' as const, text: `Visited “${door.name}”` };
    const { visitor, cookie } = await viewingVisitor(request, step);
    await noteStep({ ...step, visitorId: visitor.id });
    return documentOf(request, shown, { search: await searchOf(request, shown, visitor) }, { cookie });
  });
}

export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { slug } = await params;
  if (isJson(request)) return keptSignIn(request, slug);
  return withPage(slug, async (shown) => {
    const sent = await readSent(request);
    const visitor = shown.page.kind === 'search' ? await knownVisitor(request, shown.door.accountId) : null;
    const asking = shown.page.kind === 'search';
    try {
      await receiveVisitor(shown, sent, { address: addressOf(request), visitor });
    } catch (error) {
      const status = error instanceof AppError && error.code === 'too_many' ? 429 : 200;
      return documentOf(request, shown, { state: stateAfter(error, sent), asking }, { status });
    }
    return documentOf(request, shown, { state: { values: {}, errors: {}, message: null, thanked: true }, asking });
  });
}

/** A sign-in that a tablet kept: answered for its script, so that it knows whether to forget it. */
async function keptSignIn(request: Request, slug: string): Promise<Response> {
  let answer: Response | null = null;
  const page = await withPage(slug, async (shown) => {
    try {
      const sent = await readSent(request);
      if (!/^[\w-]{8,60}$/.test(sent.key ?? ''))
        throw new AppError('input_invalid', 'A sign-in has a key of its own.', {
          fields: [{ field: 'key', message: 'is missing' }],
        });
      const at = new Date(sent.at ?? '');
      const result = await receiveVisitor(shown, sent, {
        address: addressOf(request),
        visitor: null,
        signIn: { key: sent.key!, at: Number.isNaN(at.getTime()) ? shown.at : at },
      });
      answer = Response.json({ taken: result !== null }, { headers: { 'cache-control': 'no-store' } });
    } catch (error) {
      answer = problem(error);
    }
    return answer;
  });
  return answer ?? page;
}

async function searchOf(request: Request, shown: Shown, visitor: Visitor): Promise<SearchPlace> {
  const { searchParams } = new URL(request.url);
  const query = criteriaOfWords(Object.fromEntries(searchParams));
  const homes = await homesOf(shown, query, Math.max(0, Number(searchParams.get('from')) || 0));
  const { areas, kinds } = await marketNames(shown.door.accountId);
  const always = shown.page.criteria.areas;
  return {
    slug: shown.slug,
    homes: homes.items,
    total: homes.total,
    next: homes.next,
    query,
    words: wordsOfCriteria(query),
    areas: always?.length ? areas.filter(({ name, town }) => always.includes(name) || always.includes(town ?? '')) : areas,
    kinds: shown.page.criteria.kinds ?? kinds.map(({ name }) => name),
    saved: visitor.saved,
    zone: shown.zone,
    at: shown.at,
  };
}
