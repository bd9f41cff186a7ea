/** Public pages as visitors meet them: what a page shows, and what becomes of what they send. */
import { criteriaOfWords, ON_THE_MARKET, wordsOfCriteria, type Criteria, type ListingView } from '@/core/market';
import {
  type Suspicion,
  type PageKind,
  usersOf,
  listingsOf,
  inquiryOfSent,
  OPEN_MS,
  suspicion,
  type PublicPage,
  type FormValues,
} from '@/core/pages';
import { readInquiry } from '@/core/capture/schemas';
import type { AgentCard } from '@/core/accounts';
import { AppError } from '@/core/shared';
import { CARD_SQL } from '../accounts';
import { captureInquiry, doorOfPage, type Door } from '../capture';
import { listingsOfNumbers, listListings } from '../market';
import { nameSql, limitRate, now, reader, readSigned, signed } from '../shared';
import { knowVisitor, noteOnce, type Visitor } from './visitors.service';

export interface Shown {
  door: Door;
  slug: string;
  brokerage: string;
  /** The time zone of the office. */
  zone: string;
  /** When it was asked for. */
  at: Date;
  page: PublicPage;
  agents: Record<string, AgentCard>;
  listings: Record<string, ListingView>;
}

/** A page with the people and homes that its blocks name. @throws AppError not_found */
export async function openPage(slug: string): Promise<Shown> {
  const door = await doorOfPage(slug);
  const { page } = door;
  const users = usersOf(page);
  const [at, listings, agents] = await Promise.all([
    now(),
    listingsOfNumbers(door.accountId, [...new Set(listingsOf(page))]),
    users.length
      ? reader().rows<AgentCard & { id: string }>(
          `select u.id, ${nameSql('u')} as name, u.phone, u.email, ${CARD_SQL('u')} from users u where u.account_id = $1 and u.id = any($2::bigint[]) and u.active`,
          [door.accountId, users],
        )
      : [],
  ]);
  return {
    door,
    slug,
    brokerage: door.brokerage,
    zone: door.zone,
    at,
    page,
    agents: Object.fromEntries(agents.map(({ id, ...agent }) => [id, agent])),
    listings: Object.fromEntries(listings.map((listing) => [listing.number, listing])),
  };
}

const HOMES_A_PAGE = 24;

/** The homes of a search, narrowed by what the visitor asks beside it. */
export async function homesOf(
  shown: Shown,
  query: Criteria,
  from: number,
): Promise<{ items: ListingView[]; total: number; next: string | null }> {
  return listListings(
    shown.door.accountId,
    { criteria: [shown.page.criteria, query], statuses: ON_THE_MARKET, limit: HOMES_A_PAGE, cursor: String(from) },
    await now(),
  );
}

/** All of them, for the map. */
export const placesOfSearch = async (shown: Shown, query: Criteria): Promise<ListingView[]> =>
  (
    await listListings(
      shown.door.accountId,
      { criteria: [shown.page.criteria, query], statuses: ON_THE_MARKET, limit: 500 },
      await now(),
    )
  ).items;

/** A home of a search. @throws AppError not_found when it is not on the market, or not of this search */
export async function homeOf(shown: Shown, number: string): Promise<ListingView> {
  const [found] = await listingsOfNumbers(shown.door.accountId, [number]);
  if (!found || !ON_THE_MARKET.includes(found.status)) throw new AppError('not_found', 'This home isn’t on the market.');
  return found;
}

/** Given out with a page, and sent back with its form: which page it was and when it was opened. */
export const pageToken = ({ slug, at }: Pick<Shown, 'slug' | 'at'>): string => signed('page', `${slug}|${at.getTime()}`);
function openedAt(slug: string, token: string | undefined): Date | null {
  const [of, at] = (readSigned('page', token ?? '') ?? '').split('|');
  return of === slug && Number(at) > 0 ? new Date(Number(at)) : null;
}

export interface From {
  /** The address that the request came from. */
  address: string;
  visitor: Visitor | null;
  /** The home that the visitor was looking at. */
  number?: string | null;
  /** What they had asked for, in the words of the address. */
  asked?: Record<string, string>;
  /** Of a sign-in that was kept on the tablet: a key of its own and when it was. */
  signIn?: { key: string; at: Date } | null;
}

/** A tablet delivers an evening at once; other visitors send one form. */
const MOST_IN_TEN_MINUTES = { form: 60, search: 60, sign_in: 600 } as const;

/** @throws AppError conflict when the page was opened too long ago, or answered faster than anybody reads */
function refuseSuspect(suspect: Suspicion): void {
  if (!suspect) return;
  throw new AppError(
    'conflict',
    suspect === 'fast'
      ? 'That was quick. Please press the button again.'
      : 'This page was open a long time. Please press the button again.',
    { retry: true },
  );
}

/** What stands in the timeline of how they came, beside what they ask. */
const cameBy = (kind: PageKind, name: string, listing: ListingView | null): string | null =>
  ({
    sign_in: `Signed in at the open house${listing ? ` at ${listing.address}` : ''}.`,
    search: `Registered at “${name}”${listing ? ` to see ${listing.address}` : ''}.`,
    form: null,
  })[kind];

/** The inquiry that a visitor's form makes. */
function inquiryFrom({ door, page, agents }: Shown, sent: FormValues, from: From, listing: ListingView | null) {
  const { areas, price_min, price_max, beds_min } = { ...page.criteria, ...criteriaOfWords(from.asked ?? {}) };
  const host = page.to_host && page.host_id ? agents[page.host_id] : undefined;
  return inquiryOfSent(sent, {
    source: door.source ?? door.name,
    permissions: page.permissions,
    listing: listing && { id: listing.number, address: listing.address },
    assignedTo: host?.email ?? null,
    wants: page.kind === 'search' ? wants({ areas, price_min, price_max, bedrooms: beds_min }) : {},
    fallback: cameBy(page.kind, door.name, listing),
    tags: [],
  });
}

/**
 * Takes in what a visitor sent. What a program filled in is thanked for and not kept.
 * @returns the contact; null for what was not kept
 * @throws AppError too_many, input_invalid, conflict when the page was opened too long ago
 */
export async function receiveVisitor(shown: Shown, sent: FormValues, from: From): Promise<{ contactId: string } | null> {
  const { door, page, slug } = shown;
  await limitRate(`page:${slug}:${from.address}`, MOST_IN_TEN_MINUTES[page.kind], 600);
  const suspect = suspicion(sent, openedAt(slug, sent.token), shown.at, OPEN_MS[page.kind]);
  if (suspect === 'trap') return null;
  refuseSuspect(suspect);
  const number = from.number ?? page.listing;
  const listing = number ? ((await listingsOfNumbers(door.accountId, [number]))[0] ?? null) : null;
  const raw = inquiryFrom(shown, sent, from, listing);
  const { contact } = await captureInquiry({
    door,
    raw: {
      ...raw,
      ...(from.signIn ? { signed_in_at: from.signIn.at.toISOString() } : {}),
      ...(from.asked ? { asked: wordsOfCriteria(criteriaOfWords(from.asked)) } : {}),
    },
    inquiry: readInquiry(raw),
    idempotencyKey: from.signIn ? `sign-in: ${from.signIn.key}` : null,
    byPerson: null,
  });
  if (page.kind === 'sign_in') await noteVisit(door, contact.id, listing, from.signIn ?? null);
  else if (from.visitor?.id) await knowVisitor(door.accountId, from.visitor.id, contact.id);
  return { contactId: contact.id };
}

const noteVisit = async (
  door: Shown['door'],
  contactId: string,
  listing: ListingView | null,
  signIn: From['signIn'],
): Promise<void> =>
  noteOnce(door.accountId, contactId, {
    doorId: door.id,
    kind: 'visit',
    number: listing?.number ?? null,
    text: `Came to the open house${listing ? ` at ${listing.address}` : ''}`,
    at: signIn?.at ?? (await now()),
    key: `sign-in: ${door.id}: ${signIn?.key ?? crypto.randomUUID()}`,
  });

const wants = (given: Record<string, unknown>): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(given)
      .filter(([, value]) => value !== undefined)
      .map(([name, value]) => [name, name.startsWith('price') ? Math.round(value as number) : value]),
  );
