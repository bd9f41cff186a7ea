/**
 * The contact database: tags with colour and maker, stages and horizons that an account edits, fields of its own, important dates,
 * households, segments on shelves, changes of many that can be undone, and more facts (what came in by phone, opened, visited, saved).
 */
import type { Migration } from './migration';

const up = `
alter table tags add column color text not null default 'stone', add column locked boolean not null default false,
  add column made_by bigint references users, add column made_at timestamptz not null default now(), add column deleted_at timestamptz;
drop index tags_account_id_lower_idx;
create unique index tags_one_name on tags (account_id, lower(name)) where deleted_at is null;

alter table contacts add column company text, add column region text, add column country text, add column household_id bigint,
  add column name_key text generated always as (lower(last_name || ' ' || first_name)) stored,
  add column deleted_at timestamptz;
create index contacts_by_name on contacts (account_id, name_key, id);
create index contacts_by_touch on contacts (account_id, last_touch_at desc, id desc);
create index contacts_by_next on contacts (account_id, (coalesce(next_touch_at, 'infinity')), id);
create index contacts_by_town on contacts (account_id, lower(city));
create index contacts_owner_name on contacts (owner_id, name_key, id);
create index contacts_owner_touch on contacts (owner_id, last_touch_at desc, id desc);
create index contacts_household on contacts (household_id) where household_id is not null;

create table households (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  made_at timestamptz not null
);
alter table contacts add constraint contacts_in_household foreign key (household_id) references households on delete set null;

create table fields (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  name text not null,
  kind text not null check (kind in ('text','number','money','date','yearly','choice','choices','flag','contact')),
  choices text[] not null default '{}',
  position int not null,
  made_at timestamptz not null
);
create unique index fields_one_name on fields (account_id, lower(name));
create table field_values (
  field_id bigint not null references fields on delete cascade,
  contact_id bigint not null references contacts on delete cascade,
  ordinal smallint not null default 0,
  words text,
  number numeric,
  day date,
  month_day int,
  linked_id bigint references contacts on delete cascade,
  primary key (contact_id, field_id, ordinal)
);
create index on field_values (field_id, words) where words is not null;
create index on field_values (field_id, number) where number is not null;
create index on field_values (field_id, day) where day is not null;
create index on field_values (field_id, month_day) where month_day is not null;

create table contact_dates (
  id bigint generated always as identity primary key,
  contact_id bigint not null references contacts on delete cascade,
  kind text not null check (kind in ('birthday','closing','wedding','other')),
  label text not null default '',
  year int,
  month_day int not null check (month_day between 101 and 1231)
);
create index on contact_dates (contact_id);
create index on contact_dates (kind, month_day, contact_id);

create table segments (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  made_by bigint references users,
  team boolean not null default false,
  name text not null,
  tree jsonb not null,
  made_at timestamptz not null,
  changed_at timestamptz not null
);
create index on segments (account_id);
create table shelves (
  user_id bigint not null references users on delete cascade,
  segment_id bigint not null references segments on delete cascade,
  position int not null,
  primary key (user_id, segment_id)
);
create table preferences (
  user_id bigint not null references users on delete cascade,
  key text not null,
  value jsonb not null,
  primary key (user_id, key)
);

create table changes (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  user_id bigint references users,
  kind text not null,
  spec jsonb not null,
  sentence text not null,
  state text not null default 'waiting' check (state in ('waiting','running','done','cancelled','failed','undoing','undone')),
  total int not null default 0,
  done int not null default 0,
  changed int not null default 0,
  left_alone jsonb not null default '{}',
  undone int not null default 0,
  undo_left_alone jsonb not null default '{}',
  cancel boolean not null default false,
  fault text,
  made_at timestamptz not null,
  ended_at timestamptz
);
create index on changes (account_id, id desc);
create table change_chunks (
  change_id bigint not null references changes on delete cascade,
  position int not null,
  contact_ids bigint[] not null,
  primary key (change_id, position)
);
create table change_items (
  change_id bigint not null references changes on delete cascade,
  contact_id bigint not null,
  before jsonb not null,
  after jsonb not null,
  primary key (change_id, contact_id)
);

alter table contact_facts add column calls_in int not null default 0, add column last_call_in_at timestamptz,
  add column emails_opened int not null default 0, add column last_opened_at timestamptz,
  add column visits int not null default 0, add column last_visit_at timestamptz,
  add column saved_homes int not null default 0, add column last_saved_at timestamptz;
create index contact_facts_never_reached on contact_facts (contact_id) where attempts > 0 and reached = 0;
`;

export const contacts: Migration = { name: '0002_contacts', up: (run) => run(up) };
