/** A public page as a whole document. The same text is what visitors get and what the editor shows beside the blocks. */
import type { AgentCard } from '@/core/accounts';
import type { Block, BlockKind, BlockOf, PublicPage } from '@/core/pages';
import { initialsOf } from '@/core/shared';
import { drawHome } from '../../primitives/home-drawing';
import { formHtml, NEW_FORM, type FormState } from './form';
import { homesHtml, listingHtml, type PublicListing, type SearchPlace } from './homes';
import { html, raw, type Html } from './html';
import { LOOK } from './look';

export interface PageContext {
  slug: string;
  name: string;
  brokerage: string;
  agents: Record<string, AgentCard>;
  listings: Record<string, PublicListing>;
  token: string;
  nonce: string;
  /** Inside another site's page. */
  embedded?: boolean;
  /** Beside the editor: as it looks, without its scripts. */
  preview?: boolean;
  state?: FormState;
  /** Where its form is sent, when not to the page itself. */
  action?: string;
  /** Of a home search: what is shown; null where only its form stands. */
  search?: SearchPlace | null;
  /** What stands in the place of the blocks before the form, as one home does. */
  instead?: Html;
  /** Whether the form of a search is shown: only when it is asked who is looking. */
  asking?: boolean;
}

export function pageDocument(page: PublicPage, context: PageContext): string {
  const { slug, name, brokerage, nonce, embedded } = context;
  const wide = page.kind === 'search' && !context.asking && !context.instead;
  const scripts = context.preview
    ? null
    : { sign_in: 'sign-in', search: wide ? 'search' : null, form: embedded ? 'embedded' : null }[page.kind];
  return `<!doctype html>${html`<html lang="en">
    <head>
      <meta charset="utf-8" />
      <meta name="viewport" content="width=device-width, initial-scale=1" />
      <title>${name} · ${brokerage}</title>
      <meta property="og:title" content="${name}" />
      <meta property="og:site_name" content="${brokerage}" />
      ${page.cover && html`<meta property="og:image" content="/p/${slug}/cover" />`}
      <link rel="icon" href="/icon.svg" />
      <style>
        ${raw(LOOK)}
      </style>
      ${scripts === 'search' && html`<link rel="stylesheet" href="/visit/search.css" />`}
    </head>
    <body class="${page.kind === 'sign_in' ? 'tablet' : ''}">
      <main class="wrap ${wide ? 'wide' : ''}">
        ${!embedded && html`<p class="house">${brokerage}</p>`} ${context.instead ?? ''}
        ${blocksOf(page, context).map((block) => blockHtml(block, page, context))}
      </main>
      ${scripts && html`<script nonce="${nonce}" src="/visit/${scripts}.js" defer></script>`}
    </body>
  </html>`}`;
}

/** A search asks who is looking only when it is time; a home alone stands with form and footer. */
function blocksOf(page: PublicPage, { asking, instead }: PageContext): Block[] {
  if (instead) return page.blocks.filter(({ kind }) => kind === 'footer' || kind === 'agent' || (kind === 'form' && asking));
  if (page.kind !== 'search') return page.blocks;
  return page.blocks.filter(({ kind }) => (asking ? kind !== 'homes' : kind !== 'form'));
}

type Shown<K extends BlockKind> = (block: BlockOf<K>, page: PublicPage, context: PageContext) => Html | null;
/** How each kind of blocks looks to a visitor. */
const HTML: { [K in BlockKind]: Shown<K> } = {
  heading: (block, page, context) => {
    const first = page.blocks.find(({ kind }) => kind === 'heading') === block;
    const cover = first && page.cover ? context.listings[page.cover] : undefined;
    return html`${cover && html`<div class="cover" style="margin-bottom:18px">${raw(drawHome(cover, { wide: true }))}</div>`}${
      first ? html`<h1>${block.text}</h1>` : html`<h2 style="margin-top:20px">${block.text}</h2>`
    }`;
  },
  text: ({ text }) => html`<p class="text">${text}</p>`,
  picture: ({ picture_id, alt }) =>
    picture_id ? html`<img class="picture" src="/pictures/${picture_id}" alt="${alt}" />` : null,
  listing: (block, page, { listings }) => {
    const number = block.number ?? page.listing;
    const home = number ? listings[number] : undefined;
    return home ? listingHtml(home) : null;
  },
  homes: (_block, _page, { search }) => (search ? homesHtml(search) : null),
  form: (block, page, context) =>
    formHtml(block, {
      page,
      token: context.token,
      action: context.action ?? `/p/${context.slug}${context.embedded ? '/embed' : ''}`,
      state: context.state ?? NEW_FORM,
    }),
  agent: ({ user_id }, _page, { agents }) => {
    const agent = user_id ? agents[user_id] : undefined;
    if (!agent) return null;
    return html`<section class="agent">
      ${
        agent.photo_id
          ? html`<img class="face" src="/pictures/${agent.photo_id}" alt="" />`
          : html`<span class="face" aria-hidden="true">${initialsOf(agent.name)}</span>`
      }
      <span
        ><b>${agent.name}</b>${agent.title && html`, ${agent.title}`}<br />${agent.licenses.map(
          ({ state, number }) => html`${state} license ${number}<br />`,
        )}${agent.phone && html`<a href="tel:${agent.phone}">${agent.phone}</a> · `}<a href="mailto:${agent.email}"
          >${agent.email}</a
        ></span
      >
    </section>`;
  },
  footer: ({ text }) => html`<footer class="foot">${text}</footer>`,
};
const blockHtml = <K extends BlockKind>(block: Block & { kind: K }, page: PublicPage, context: PageContext): Html | null =>
  (HTML[block.kind] as Shown<K>)(block as BlockOf<K>, page, context);
