/** The operations of the market: listings, the ground of the map. */
import Joi from 'joi';
import { groundSchema } from '@/core/market/schemas';
import { LISTING_STATUSES } from '@/core/market';
import type { BaseMap, ListingView, ListingsImported } from '@/core/market';
import { answer, type Listed, type Operation } from './operation';
import { instant } from './parts';

export const MARKET_OPERATIONS = {
  listListings: {
    method: 'GET',
    path: '/listings',
    summary: 'List listings, newest first; filter by area, price, rooms, kind, open house, or a drawn area',
    scope: 'contacts:read',
    query: Joi.object({
      limit: Joi.number().integer().min(1).max(500).default(50),
      cursor: Joi.string().max(20),
      q: Joi.string().max(200).allow(''),
      status: Joi.string().valid(...LISTING_STATUSES, 'any'),
      areas: Joi.string().max(2_000).allow(''),
      kinds: Joi.string().max(2_000).allow(''),
      within: Joi.string().max(4_000).allow(''),
      price_min: Joi.number().min(0),
      price_max: Joi.number().min(0),
      beds_min: Joi.number().min(0),
      lease: Joi.boolean(),
      open_house: Joi.boolean(),
    }),
    answer: answer<Listed<ListingView> & { total: number }>(),
  },
  getListing: {
    method: 'GET',
    path: '/listings/{id}',
    summary: 'Get a listing',
    scope: 'contacts:read',
    answer: answer<ListingView>(),
  },
  importListings: {
    method: 'PUT',
    path: '/listings/file',
    summary:
      'Import a CSV of listings with RESO Data Dictionary field names; `whole=true` when it holds every listing, `preview=true` to see what would change',
    scope: 'setup:write',
    only: 'office',
    file: true,
    query: Joi.object({ whole: Joi.boolean().default(false), preview: Joi.boolean().default(false) }),
    answer: answer<ListingsImported>(),
  },
  restoreListings: {
    method: 'POST',
    path: '/listings/restore',
    summary: 'Put listings back on the market that an import withdrew',
    scope: 'setup:write',
    only: 'office',
    body: Joi.object({ imported_at: instant.required() }),
    answer: answer<{ restored: number }>(),
  },
  getMarket: {
    method: 'GET',
    path: '/market',
    summary: 'List areas and property kinds',
    scope: 'contacts:read',
    answer: answer<{ areas: { name: string; town: string | null; n: number }[]; kinds: { name: string; n: number }[] }>(),
  },
  getBaseMap: {
    method: 'GET',
    path: '/base-map',
    was: '/ground',
    summary: 'Get the base map as GeoJSON',
    scope: 'contacts:read',
    answer: answer<BaseMap>(),
  },
  setBaseMap: {
    method: 'PUT',
    path: '/base-map',
    was: '/ground',
    summary: 'Replace the base map: a GeoJSON feature collection with a kind and a name for each feature',
    scope: 'setup:write',
    only: 'office',
    body: groundSchema,
    answer: answer<{ features: number }>(),
  },
} as const satisfies Record<string, Operation>;
