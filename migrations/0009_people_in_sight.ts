/**
 * What was deleted stays for its undo, at the head of every order, and each page walked past all of it: 20 ms after an import of
 * 70,000 was taken back. The orders of the grid now hold only people who are there. The search, which holds nobody else either,
 * knows the account, so that counting what it finds does not open every contact; its account is the contact's and never changes.
 * Addresses that are only noted with a contact, because another has them, and the few noes of the permission ledger have indexes.
 */
import type { Migration } from './migration';

const up = `
drop index contacts_created, contacts_owner_created, contacts_by_name, contacts_by_touch, contacts_by_next, contacts_by_town, contacts_owner_name, contacts_owner_touch;
create index contacts_created on contacts (account_id, created_at desc, id desc) where deleted_at is null;
create index contacts_owner_created on contacts (owner_id, created_at desc, id desc) where deleted_at is null;
create index contacts_by_name on contacts (account_id, name_key, id) where deleted_at is null;
create index contacts_by_touch on contacts (account_id, last_touch_at desc, id desc) where deleted_at is null;
create index contacts_by_next on contacts (account_id, coalesce(next_touch_at, 'infinity'), id) where deleted_at is null;
create index contacts_by_town on contacts (account_id, lower(city)) where deleted_at is null;
create index contacts_owner_name on contacts (owner_id, name_key, id) where deleted_at is null;
create index contacts_owner_touch on contacts (owner_id, last_touch_at desc, id desc) where deleted_at is null;

create table people_search (contact_id bigint primary key references contacts on delete cascade, account_id bigint not null, search_text text not null);
insert into people_search (contact_id, account_id, search_text)
  select s.contact_id, c.account_id, s.search_text from contact_search s join contacts c on c.id = s.contact_id where c.deleted_at is null order by s.contact_id;
drop table contact_search;
alter table people_search rename to contact_search;
alter table contact_search rename constraint people_search_pkey to contact_search_pkey;
alter table contact_search rename constraint people_search_contact_id_fkey to contact_search_contact_id_fkey;
create index contact_search_trigram on contact_search using gin (search_text gin_trgm_ops) with (gin_pending_list_limit = 512);
alter table contact_search alter column search_text set statistics 500;
analyze contact_search;

create index contact_points_noted on contact_points (account_id, contact_id) where not active;
create index permissions_withdrawn on permissions (channel, account_id, address) where state = 'withdrawn';
`;

export const peopleInSight: Migration = { name: '0009_people_in_sight', up: (run) => run(up) };
