/**
 * A public page: what is asked on it, and what is wrong with one before it can be shown. Pages are made of blocks in an order; every kind
 * has blocks without which it would not be what it is.
 */
import type { Criteria } from '../market';
import {
  BLOCK_KINDS,
  blockFields,
  blockValue,
  entryOf,
  namedIn,
  newBlock,
  type Block,
  type BlockKind,
  type PageKind,
} from './blocks';

/** What is shown beside a tick box per channel; null asks for no permission by that channel. */
export type PermissionTexts = Record<'text' | 'call' | 'email', string | null>;

/** A public page: its blocks and what it asks for. */
export interface PublicPage {
  kind: PageKind;
  blocks: Block[];
  permissions: PermissionTexts;
  /** An open house: the home that is open, and who stands there; leads go to them when `to_host`. */
  listing: string | null;
  host_id: string | null;
  to_host: boolean;
  /** A home search: what it always asks for, after how many homes it asks who is looking (0: never), whose drawing stands on top. */
  criteria: Criteria;
  gate_after: number;
  cover: string | null;
}

/** Blocks that a page of a kind may have, in the order in which they are offered. */
export const blocksFor = (page: PageKind): BlockKind[] => BLOCK_KINDS.filter((kind) => entryOf(kind).on.includes(page));
const isNeeded = (page: PageKind, kind: BlockKind): boolean => entryOf(kind).neededOn.includes(page);
const ofKind = (page: PublicPage, kind: BlockKind): Block[] => page.blocks.filter((block) => block.kind === kind);

export const mayAdd = (page: PublicPage, kind: BlockKind): boolean =>
  entryOf(kind).on.includes(page.kind) && !(entryOf(kind).isSingle && ofKind(page, kind).length > 0);
export const mayRemove = (page: PublicPage, block: Block): boolean =>
  !isNeeded(page.kind, block.kind) || ofKind(page, block.kind).length > 1;

/** The words shown beside the tick boxes unless somebody writes others. */
export const permissionTexts = (brokerage: string): PermissionTexts => ({
  text: `${brokerage} may text me about homes at the number above, including with automated technology. Consent is not a condition of any purchase. Message and data rates may apply. Reply STOP to opt out.`,
  call: `${brokerage} may call me about homes at the number above.`,
  email: `${brokerage} may email me about homes. I can unsubscribe at any time.`,
});

const HEADINGS: Record<PageKind, [string, string]> = {
  form: ['Ask an agent', 'Tell us what you’re looking for. An agent usually replies within minutes.'],
  sign_in: ['Welcome', 'Please sign in before you look around.'],
  search: ['Find your home', 'Everything on the market today.'],
};

/** A page of a kind as it begins. */
export function newPage(kind: PageKind, brokerage: string): PublicPage {
  const [heading, text] = HEADINGS[kind];
  const block = (one: BlockKind, at: number) => newBlock(one, `b${at}`, brokerage);
  const form = newBlock('form', 'b3', brokerage);
  if (kind === 'sign_in')
    Object.assign(form, {
      asks: ['last_name', 'email', 'phone', 'agent'],
      button: 'Sign in',
      thanks: 'Thank you. Enjoy your visit.',
    });
  if (kind === 'search')
    Object.assign(form, {
      asks: ['last_name', 'email', 'phone'],
      button: 'Keep browsing',
      thanks: 'Thank you. You can now see every home.',
    });
  return {
    kind,
    blocks: [
      { id: 'b1', kind: 'heading', text: heading },
      { id: 'b2', kind: 'text', text },
      ...(kind === 'search' ? [block('homes', 5)] : kind === 'sign_in' ? [block('listing', 5)] : []),
      form,
      block('footer', 4),
    ],
    permissions: permissionTexts(brokerage),
    listing: null,
    host_id: null,
    to_host: kind === 'sign_in',
    criteria: {},
    gate_after: kind === 'search' ? 3 : 0,
    cover: null,
  };
}

const known = (ids: readonly (string | null)[]): string[] => ids.filter((id) => id !== null);
/** The people, and the homes, that a page names. */
export const usersOf = (page: PublicPage): string[] => known([page.host_id, ...namedIn(page.blocks, 'user')]);
export const listingsOf = (page: PublicPage): string[] => known([page.listing, page.cover, ...namedIn(page.blocks, 'listing')]);

/** What keeps a page from being published, and where. */
export interface PageError {
  /** The block; null for the page as a whole. */
  block: string | null;
  message: string;
}

/** What must be mended before a page is kept: blocks that are missing, twice, or empty. */
export function pageErrors(page: PublicPage): PageError[] {
  const errors: PageError[] = [];
  for (const kind of BLOCK_KINDS) {
    const { name, isSingle } = entryOf(kind);
    const own = ofKind(page, kind);
    if (isNeeded(page.kind, kind) && !own.length) errors.push({ block: null, message: `The page needs a ${name}.` });
    if (isSingle && own.length > 1) errors.push({ block: own[1]!.id, message: `One ${name} is allowed.` });
  }
  const ids = page.blocks.map(({ id }) => id);
  if (new Set(ids).size < ids.length) errors.push({ block: null, message: 'Two blocks have the same id.' });
  for (const [channel, words] of Object.entries(page.permissions))
    if (words !== null && !words.trim())
      errors.push({ block: null, message: `Write what visitors agree to when you ask to ${channel} them.` });
  return [
    ...errors,
    ...page.blocks.flatMap((block) => blockErrors(block, page.kind).map((message) => ({ block: block.id, message }))),
  ];
}

function blockErrors(block: Block, page: PageKind): string[] {
  const { name, on } = entryOf(block.kind);
  const isEmpty = (field: string): boolean => String(blockValue(block, field) ?? '').trim() === '';
  return [
    ...(on.includes(page) ? [] : [`A ${name} can’t go on this page.`]),
    ...blockFields(block.kind).flatMap(([field, { empty }]) => (empty && isEmpty(field) ? [empty] : [])),
    ...(block.kind === 'form' && !block.asks.some((one) => one === 'email' || one === 'phone')
      ? ['The form needs an email or phone field.']
      : []),
    ...(block.kind === 'picture' && block.picture_id && isEmpty('alt')
      ? ['Describe the picture for people who can’t see it.']
      : []),
  ];
}

export const PAGE_KIND_NAMES: Record<PageKind, string> = {
  form: 'Contact form',
  sign_in: 'Open-house sign-in',
  search: 'Home search',
};

/** The last part of a page's address from its name: small letters, digits and hyphens. */
export const slugOf = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60)
    .replace(/-+$/, '') || 'page';
