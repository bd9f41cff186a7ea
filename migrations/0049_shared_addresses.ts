/** A phone or an email may stand under several people, each of whom says what it is to them; why an inquiry was taken for somebody is kept with it. */
import type { Migration } from './migration';

const up = `
drop index contact_points_one_owner;
create index contact_points_value on contact_points (account_id, kind, value) where active;
create unique index contact_points_once on contact_points (contact_id, kind, value) where active;
alter table contact_points add column used_as text check (used_as in ('cell','home','work','other'));
alter table contact_points add column label text;
alter table contact_points add column line_type text check (line_type in ('mobile','landline','voip'));
alter table inquiries add column match jsonb;
`;

export const sharedAddresses: Migration = { name: '0049_shared_addresses', up: (run) => run(up) };
