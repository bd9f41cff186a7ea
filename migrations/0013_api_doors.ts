/** Doors for programs: an address of their own, where fields stand in what they send, a switch to try without effect, and the last requests with their answers. A key may belong to one, and end at a time. */
import type { Migration } from './migration';

const up = `
alter table doors add column mapping jsonb not null default '{}', add column sandbox boolean not null default false;
alter table api_keys add column door_id bigint references doors, add column ends_at timestamptz;

create table door_requests (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  door_id bigint not null references doors,
  at timestamptz not null,
  content_type text not null,
  body text not null,
  status int not null,
  answer jsonb not null,
  sandbox boolean not null,
  took_ms int not null
);
create index door_requests_latest on door_requests (door_id, id desc);
`;

export const apiDoors: Migration = { name: '0013_api_doors', up: (run) => run(up) };
