/** Listings as files bring them, and the ground that maps are drawn on. */
import type { Migration } from './migration';

const up = `
create table listings (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  number text not null,
  status text not null,
  price numeric,
  address text not null,
  city text,
  postal_code text,
  area text,
  beds numeric,
  baths numeric,
  living_area numeric,
  type text,
  kind text,
  latitude float8,
  longitude float8,
  pool boolean not null default false,
  open_from timestamptz,
  open_to timestamptz,
  remarks text,
  agent_name text,
  on_market date,
  agent_id bigint references users,
  taken_at timestamptz not null,
  changed_at timestamptz not null,
  unique (account_id, number)
);
create index listings_market on listings (account_id, status, price);
create index listings_address on listings (account_id, lower(address));

create table grounds (
  account_id bigint primary key references accounts,
  geojson jsonb not null,
  changed_at timestamptz not null
);
`;

export const market: Migration = { name: '0014_market', up: (run) => run(up) };
