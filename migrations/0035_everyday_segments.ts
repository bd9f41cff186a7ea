/**
 * Indexes for what is asked every day: a ZIP, a city, a horizon, who visited lately; and those who are gone, whom counts of tags leave out. Those of
 * cities, ZIPs and sources hold the value itself as well, so that what is offered is counted from them alone.
 */
import type { Migration } from './migration';

const up = `
create index contacts_by_zip on contacts (account_id, lower(nullif(postal_code, '')), postal_code) where deleted_at is null;
create index contacts_by_city on contacts (account_id, lower(nullif(city, '')), city) where deleted_at is null;
create index contacts_by_source on contacts (account_id, source) where deleted_at is null;
create index contacts_by_horizon on contacts (account_id, horizon, created_at desc, id desc) where deleted_at is null and horizon is not null;
create index contacts_deleted on contacts (id) where deleted_at is not null;
create index contact_facts_visited on contact_facts (last_visit_at) where last_visit_at is not null;
`;

export const everydaySegments: Migration = { name: '0035_everyday_segments', up: (run) => run(up) };
