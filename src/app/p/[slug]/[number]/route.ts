/** One home of a home search. After some homes the visitor is asked who they are; a home is saved here. */
import { homeOf, noteStep, pageToken, receiveVisitor } from '@/server/pages';
import { limitRate } from '@/server/shared';
import { addressOf } from '@/app/_http/client';
import { documentOf, readSent, stateAfter, viewingVisitor, visitorOf, withPage } from '@/app/_http/visit';
import { homeHtml, html, NEW_FORM, type FormState } from '@/ui/pages/public';
import { AppError, notFound } from '@/core/shared';
import type { ListingView } from '@/core/market';
import type { Shown, Visitor } from '@/server/pages';

type Context = { params: Promise<{ slug: string; number: string }> };

const searchOnly = (shown: Shown): void => {
  if (shown.page.kind !== 'search') throw new AppError('not_found', 'Page not found.');
};
/** Whether it is time to ask who is looking. Whom we know is not asked. */
const isAsked = ({ page }: Shown, visitor: Visitor): boolean =>
  page.gate_after > 0 && !visitor.contactId && visitor.viewed >= page.gate_after;

/** The number of a home as it stands in the address. @throws AppError not_found for one that cannot be read */
function numberOf(encoded: string): string {
  try {
    return decodeURIComponent(encoded);
  } catch {
    throw notFound('home');
  }
}

const viewOf = ({ door }: Shown, home: { number: string; address: string }) => ({
  accountId: door.accountId,
  doorId: door.id,
  kind: 'viewed_home' as const,
  listing: home,
  text: home.address,
});

export async function GET(request: Request, { params }: Context): Promise<Response> {
  const { slug, number } = await params;
  return withPage(slug, async (shown) => {
    searchOnly(shown);
    const home = await homeOf(shown, numberOf(number));
    const { visitor, cookie } = await viewingVisitor(request, viewOf(shown, home));
    return homeDocument(request, shown, home, visitor, NEW_FORM, cookie);
  });
}

export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { slug, number: encoded } = await params;
  return withPage(slug, async (shown) => {
    searchOnly(shown);
    const number = numberOf(encoded);
    const { accountId, id: doorId } = shown.door;
    const sent = await readSent(request);
    const { visitor, cookie } = await visitorOf(request, accountId);
    await limitRate(`page:${slug}:${addressOf(request)}`, 300, 600);
    const home = await homeOf(shown, number);
    if (sent.save) {
      await noteStep({ accountId, visitorId: visitor.id, doorId, kind: 'saved_home', listing: home, text: home.address });
      /* Who saves a home wants it kept: they are asked who they are, and may also go on without. */
      const saved = { ...visitor, saved: [...visitor.saved, number] };
      return homeDocument(request, shown, home, saved, NEW_FORM, cookie, !visitor.contactId);
    }
    let state: FormState;
    try {
      const result = await receiveVisitor(shown, sent, { address: addressOf(request), visitor, number });
      if (result) return homeDocument(request, shown, home, { ...visitor, contactId: result.contactId }, NEW_FORM, cookie);
      state = { ...NEW_FORM, thanked: true };
    } catch (error) {
      state = stateAfter(error, sent);
    }
    return homeDocument(request, shown, home, visitor, state, cookie, true);
  });
}

async function homeDocument(
  request: Request,
  shown: Shown,
  home: ListingView,
  visitor: Visitor,
  state: FormState,
  cookie: string | null,
  askToo = false,
): Promise<Response> {
  const { slug } = shown;
  const { number } = home;
  const action = `/p/${slug}/${encodeURIComponent(number)}`;
  const seenBefore = visitor.saved.includes(number);
  if (isAsked(shown, visitor) && !seenBefore)
    return documentOf(
      request,
      shown,
      {
        action,
        state,
        asking: true,
        instead: html`<p><a href="/p/${slug}">Back to all homes</a></p>
          <h1>${home.address}</h1>
          <p>You have looked at ${visitor.viewed} homes. Tell us who you are, and all of them stay open to you.</p>`,
      },
      { cookie },
    );
  await noteStep({ ...viewOf(shown, home), visitorId: visitor.id });
  const place = { slug, saved: seenBefore, zone: shown.zone, at: shown.at, token: pageToken(shown) };
  return documentOf(
    request,
    shown,
    { action, state, asking: askToo && !visitor.contactId, instead: homeHtml(home, place) },
    { cookie },
  );
}
