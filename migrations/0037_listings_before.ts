/** What a listing was before a file withdrew it, so that this can be undone. */
import type { Migration } from './migration';

const up = `alter table listings add column status_before text;`;

export const listingsBefore: Migration = { name: '0037_listings_before', up: (run) => run(up) };
