/** Homes on a public page: the list of a search with what one may ask for, and one home with its facts. */
import { dayAndTime, formatNumber } from '@/core/format';
import { criteriaWords, priceWords, roomsWords, type Criteria, type ListingView } from '@/core/market';
import type { Jsoned } from '@/core/shared';
import { drawHome } from '../../primitives/home-drawing';
import { html, raw, type Html } from './html';

/** A home as the server has it, or as it came over HTTP. */
export type PublicListing = ListingView | Jsoned<ListingView>;

export const drawing = (home: PublicListing): Html => html`<span class="home">${raw(drawHome(home))}</span>`;
const rooms = (home: PublicListing): string => roomsWords({ ...home, livingArea: home.living_area });

const openHouse = (home: PublicListing, zone: string, at: Date): Html | null => {
  if (!home.open_from || new Date(home.open_to ?? home.open_from) < at) return null;
  return html`<span class="tag">open house ${dayAndTime(new Date(home.open_from), zone)}</span>`;
};

export const listingHtml = (home: PublicListing): Html =>
  html`<section class="listing">
    ${drawing(home)}
    <div>
      <h2>${home.address}</h2>
      <p class="soft">${[priceWords(home), rooms(home)].filter(Boolean).join(' · ')}</p>
    </div>
  </section>`;

export interface SearchPlace {
  slug: string;
  homes: PublicListing[];
  total: number;
  next: string | null;
  query: Criteria;
  /** The same in the words of the address. */
  words: Record<string, string>;
  areas: { name: string; town: string | null }[];
  kinds: string[];
  saved: readonly string[];
  zone: string;
  at: Date;
}

const option = (value: string, words: string, chosen: boolean): Html =>
  html`<option value="${value}" ${chosen ? 'selected' : ''}>${words}</option>`;
const PRICES = [1_000, 1_500, 2_000, 150_000, 200_000, 250_000, 300_000, 350_000, 400_000, 500_000, 600_000, 800_000, 1_000_000];

export function homesHtml(place: SearchPlace): Html {
  const { slug, homes, total, next, query, words, areas, kinds, saved } = place;
  const money = (name: 'price_min' | 'price_max', label: string) =>
    html`<label
      >${label}
      <select name="${name}">
        ${option('', 'any', query[name] === undefined)}${[
          ...new Set([...PRICES, ...(query[name] === undefined ? [] : [query[name]])]),
        ]
          .sort((a, b) => a - b)
          .map((value) => option(String(value), `$${formatNumber(value)}`, query[name] === value))}
      </select></label
    >`;
  const more = new URLSearchParams({ ...words, from: next ?? '' });
  return html`<form class="asks" method="get" action="/p/${slug}" role="search" aria-label="Homes">
      <label
        >Where
        <select name="areas">
          ${option('', 'everywhere', !query.areas)}${areas.map(({ name, town }) =>
            option(name, town ? `${town}: ${name}` : name, query.areas?.[0] === name),
          )}
        </select></label
      >
      <label
        >Kind
        <select name="kinds">
          ${option('', 'any', !query.kinds)}${kinds.map((name) => option(name, name, query.kinds?.[0] === name))}
        </select></label
      >
      ${money('price_min', 'From')} ${money('price_max', 'To')}
      <label
        >Bedrooms
        <select name="beds_min">
          ${option('', 'any', !query.beds_min)}${[1, 2, 3, 4, 5].map((n) =>
            option(String(n), `${n} or more`, query.beds_min === n),
          )}
        </select></label
      >
      <label class="tick"
        ><input type="checkbox" name="open_house" value="true" ${query.open_house ? 'checked' : ''} /> open house</label
      >
      <input type="hidden" name="within" value="${words.within ?? ''}" />
      <button class="go" type="submit">Show homes</button>
      ${Object.keys(words).length > 0 && html`<a class="small" href="/p/${slug}">all homes</a>`}
    </form>
    <div class="found">
      <div>
        <p class="soft" aria-live="polite">
          ${total === 0 ? 'No matches. Try fewer filters.' : `${criteriaWords(query)}: ${formatNumber(total)} on the market today`}
        </p>
        <ul class="homes">
          ${homes.map(
            (home) =>
              html`<li>
                <a href="/p/${slug}/${encodeURIComponent(home.number)}">
                  ${drawing(home)}
                  <b>${priceWords(home)}</b> ${saved.includes(home.number) && html`<span class="tag">saved</span>`}<br />
                  <span class="small">${home.address}</span><br />
                  <span class="small soft">${[home.kind, rooms(home)].filter(Boolean).join(' · ')}</span>
                  ${openHouse(home, place.zone, place.at)}
                </a>
              </li>`,
          )}
        </ul>
        ${next && html`<p><a class="go quiet" style="text-decoration:none" href="/p/${slug}?${raw(more.toString().replaceAll('&', '&amp;'))}">More homes</a></p>`}
      </div>
      <div class="beside"><div id="map" class="map" data-slug="${slug}" hidden></div></div>
    </div>`;
}

export function homeHtml(
  home: PublicListing,
  { slug, saved, zone, at, token }: { slug: string; saved: boolean; zone: string; at: Date; token: string },
): Html {
  const gone = !['active', 'coming_soon'].includes(home.status);
  return html`<p><a href="/p/${slug}">Back to all homes</a></p>
    ${drawing(home)}
    <p class="small soft">Illustration only</p>
    <h1 style="margin-top:10px">${home.address}</h1>
    <p style="font-size:20px"><b>${priceWords(home)}</b> <span class="soft">${rooms(home)}</span></p>
    ${gone && html`<p class="wrong">This home is no longer on the market.</p>`}
    <p>${openHouse(home, zone, at)}</p>
    ${home.remarks && html`<p>${home.remarks}</p>`}
    <p class="soft small">
      ${[home.kind, home.area, home.pool ? 'with a pool' : '', home.agent_name ? `listed by ${home.agent_name}` : '', `number ${home.number}`].filter(Boolean).join(' · ')}
    </p>
    <form method="post" action="/p/${slug}/${encodeURIComponent(home.number)}" class="line">
      <input type="hidden" name="token" value="${token}" />
      ${saved ? html`<span class="tag">saved</span>` : html`<button class="go quiet" name="save" value="yes">Save this home</button>`}
    </form>`;
}
