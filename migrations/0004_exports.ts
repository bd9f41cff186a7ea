/** Files that go out: who asked, for whom, how far it is, and the file in parts until it is fetched or a week old. */
import type { Migration } from './migration';

const up = `
create table exports (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  user_id bigint references users,
  format text not null check (format in ('csv','xlsx','vcf','labels','cards')),
  options jsonb not null default '{}',
  selection jsonb not null,
  state text not null default 'waiting' check (state in ('waiting','running','done','failed')),
  total int not null default 0,
  done int not null default 0,
  attempt int not null default 0,
  bytes bigint not null default 0,
  fault text,
  made_at timestamptz not null,
  ended_at timestamptz
);
create index on exports (account_id, id desc);
create table export_parts (
  export_id bigint not null references exports on delete cascade,
  n int not null,
  bytes bytea not null,
  primary key (export_id, n)
);
alter table export_parts alter column bytes set storage external;

create table feeds (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  user_id bigint not null references users on delete cascade,
  token_hash bytea not null unique,
  made_at timestamptz not null,
  read_at timestamptz,
  revoked_at timestamptz
);

create extension if not exists fuzzystrmatch;
create table duplicate_looks (
  account_id bigint primary key references accounts,
  state text not null check (state in ('waiting','running','done','failed')),
  pairs int not null default 0,
  fault text,
  asked_at timestamptz not null,
  ended_at timestamptz
);
create table duplicate_pairs (
  account_id bigint not null references accounts,
  one_id bigint not null references contacts on delete cascade,
  other_id bigint not null references contacts on delete cascade,
  reasons text[] not null,
  score real not null,
  primary key (one_id, other_id)
);
create index on duplicate_pairs (account_id, score desc, one_id, other_id);
create table not_duplicates (
  account_id bigint not null references accounts,
  one_id bigint not null,
  other_id bigint not null,
  user_id bigint references users,
  at timestamptz not null,
  primary key (one_id, other_id)
);
create table merges (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  kept_id bigint not null references contacts on delete cascade,
  gone_id bigint not null references contacts on delete cascade,
  user_id bigint references users,
  before jsonb not null,
  moved jsonb not null,
  at timestamptz not null,
  undone_at timestamptz
);
create index on merges (kept_id);
create index contacts_by_home on contacts (account_id, postal_code, lower(street)) where street is not null and deleted_at is null;
`;

export const exports_: Migration = { name: '0004_exports', up: (run) => run(up) };
