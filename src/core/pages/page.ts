/**
 * A public page: what it is made of, what is asked on it, and what is wrong with one before it can be shown. Pages are made of blocks in
 * an order; every kind has blocks without which it would not be what it is.
 */
import type { Criteria } from '../market';

export const PAGE_KINDS = ['form', 'sign_in', 'search'] as const;
/** What a public page is for. */
export type PageKind = (typeof PAGE_KINDS)[number];

/** What a form may ask for. A first name and one way to reach the visitor are always asked. */
export const FORM_FIELDS = ['last_name', 'email', 'phone', 'role', 'city', 'message', 'agent'] as const;
/** A field of a public form. */
export type FormField = (typeof FORM_FIELDS)[number];

/** A block of a public page. */
export type Block =
  | { id: string; kind: 'heading'; text: string }
  | { id: string; kind: 'text'; text: string }
  | { id: string; kind: 'picture'; picture_id: string | null; alt: string }
  | { id: string; kind: 'form'; asks: FormField[]; button: string; thanks: string }
  | { id: string; kind: 'agent'; user_id: string | null }
  | { id: string; kind: 'listing'; number: string | null }
  | { id: string; kind: 'homes' }
  | { id: string; kind: 'footer'; text: string };
/** The kind of a block. */
export type BlockKind = Block['kind'];

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
export const BLOCKS_FOR: Record<PageKind, readonly BlockKind[]> = {
  form: ['heading', 'text', 'picture', 'listing', 'form', 'agent', 'footer'],
  sign_in: ['heading', 'text', 'picture', 'listing', 'form', 'agent', 'footer'],
  search: ['heading', 'text', 'picture', 'homes', 'form', 'agent', 'footer'],
};
/** Blocks of which a page has one at most. */
const ONLY_ONE: readonly BlockKind[] = ['form', 'homes', 'footer'];
/** Blocks of which a page needs one. */
const NEEDED: Record<PageKind, readonly BlockKind[]> = {
  form: ['form', 'footer'],
  sign_in: ['form', 'footer'],
  search: ['homes', 'form', 'footer'],
};

export const mayAdd = (page: PublicPage, kind: BlockKind): boolean =>
  BLOCKS_FOR[page.kind].includes(kind) && !(ONLY_ONE.includes(kind) && page.blocks.some((block) => block.kind === kind));
export const mayRemove = (page: PublicPage, block: Block): boolean =>
  !NEEDED[page.kind].includes(block.kind) || page.blocks.filter(({ kind }) => kind === block.kind).length > 1;

/** A block as it begins. @param id unlike that of any other block of the page */
export function newBlock(kind: BlockKind, id: string, brokerage = ''): Block {
  switch (kind) {
    case 'heading':
      return { id, kind, text: 'A heading' };
    case 'text':
      return { id, kind, text: 'What you want to say.' };
    case 'picture':
      return { id, kind, picture_id: null, alt: '' };
    case 'form':
      return { id, kind, asks: ['last_name', 'email', 'phone', 'message'], button: 'Send', thanks: THANKS };
    case 'agent':
      return { id, kind, user_id: null };
    case 'listing':
      return { id, kind, number: null };
    case 'homes':
      return { id, kind };
    case 'footer':
      return { id, kind, text: `${brokerage}. We do business in accord with fair-housing law.`.trim() };
  }
}

const THANKS = 'Thank you. An agent has your question now and will be in touch.';

/** The words shown beside the tick boxes unless somebody writes others. */
export const permissionTexts = (brokerage: string): PermissionTexts => ({
  text: `${brokerage} may text me about homes at the number above, also by automated means. I need not agree in order to buy anything, and I can reply STOP at any time.`,
  call: `${brokerage} may call me about homes at the number above.`,
  email: `${brokerage} may e-mail me about homes. Every e-mail has a link to end this.`,
});

const HEADINGS: Record<PageKind, [string, string]> = {
  form: ['Ask an agent', 'Tell us what you look for. One of our agents answers, usually within minutes.'],
  sign_in: ['Welcome in', 'Please sign in before you look around.'],
  search: ['Homes that may be yours', 'Everything on the market, as it is today.'],
};

/** A page of a kind as it begins. */
export function newPage(kind: PageKind, brokerage: string): PublicPage {
  const [heading, text] = HEADINGS[kind];
  const block = (one: BlockKind, at: number) => newBlock(one, `b${at}`, brokerage);
  const form = { ...(block('form', 3) as Extract<Block, { kind: 'form' }>) };
  if (kind === 'sign_in')
    Object.assign(form, {
      asks: ['last_name', 'email', 'phone', 'agent'],
      button: 'Sign in',
      thanks: 'Thank you. Have a good look around.',
    });
  if (kind === 'search')
    Object.assign(form, {
      asks: ['last_name', 'email', 'phone'],
      button: 'Go on looking',
      thanks: 'Thank you. All homes are open to you now.',
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

/** What keeps a page from being published, and where. */
export interface PageError {
  /** The block; null for the page as a whole. */
  block: string | null;
  message: string;
}

/** What must be mended before a page is kept: blocks that are missing, twice, or empty. */
export function pageErrors(page: PublicPage): PageError[] {
  const errors: PageError[] = [];
  const of = (kind: BlockKind) => page.blocks.filter((block) => block.kind === kind);
  for (const kind of NEEDED[page.kind])
    if (!of(kind).length) errors.push({ block: null, message: `The page needs a ${BLOCK_NAMES[kind]}.` });
  for (const kind of ONLY_ONE)
    if (of(kind).length > 1) errors.push({ block: of(kind)[1]!.id, message: `One ${BLOCK_NAMES[kind]} is enough.` });
  const ids = page.blocks.map(({ id }) => id);
  if (new Set(ids).size < ids.length) errors.push({ block: null, message: 'Two blocks have the same id.' });
  for (const block of page.blocks) {
    if (!BLOCKS_FOR[page.kind].includes(block.kind))
      errors.push({ block: block.id, message: `A ${BLOCK_NAMES[block.kind]} has no place on this page.` });
    if ('text' in block && !block.text.trim())
      errors.push({ block: block.id, message: `The ${BLOCK_NAMES[block.kind]} is empty.` });
    if (block.kind === 'form' && !block.asks.some((one) => one === 'email' || one === 'phone'))
      errors.push({
        block: block.id,
        message: 'The form asks for no way to reach the visitor: an e-mail address or a phone number.',
      });
    if (block.kind === 'form' && !block.button.trim()) errors.push({ block: block.id, message: 'The button says nothing.' });
    if (block.kind === 'picture' && block.picture_id && !block.alt.trim())
      errors.push({ block: block.id, message: 'Say in words what the picture shows, for those who cannot see it.' });
  }
  return errors;
}

export const BLOCK_NAMES: Record<BlockKind, string> = {
  heading: 'heading',
  text: 'text',
  picture: 'picture',
  form: 'form',
  agent: 'agent',
  listing: 'listing',
  homes: 'list of homes',
  footer: 'legal footer',
};
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
