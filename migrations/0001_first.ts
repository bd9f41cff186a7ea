/**
 * The first schema: everything one lead needs on its way from the arrival to the signature.
 * Instants are timestamptz (UTC); money, where it appears, is in minor units. Closed vocabularies live in src/core.
 * Counters and times of a contact stand in contact_facts, apart from contacts, so that a touch does not pay for the wide row's indexes.
 */
import type { Migration } from './migration';

const up = `
create extension if not exists pg_trgm;
create extension if not exists unaccent;

create table accounts (
  id bigint generated always as identity primary key,
  name text not null,
  time_zone text not null,
  settings jsonb not null default '{}',
  created_at timestamptz not null default now()
);

create table offices (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  name text not null
);

create table users (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  office_id bigint references offices,
  role text not null check (role in ('owner','admin','agent','caller','lender')),
  first_name text not null,
  last_name text not null,
  email text not null unique,
  phone text,
  time_zone text not null,
  password_hash text not null,
  day_goal int not null default 30,
  away_until timestamptz,
  active boolean not null default true,
  created_at timestamptz not null default now()
);

create table sessions (
  token_hash bytea primary key,
  user_id bigint not null references users on delete cascade,
  created_at timestamptz not null default now(),
  expires_at timestamptz not null
);
create index on sessions (user_id);

create table api_keys (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  name text not null,
  key_hash bytea not null unique,
  hint text not null,
  scopes text[] not null,
  created_by bigint references users,
  created_at timestamptz not null default now(),
  last_used_at timestamptz,
  revoked_at timestamptz
);

create table rate_hits (bucket text not null, window_start timestamptz not null, hits int not null default 1, primary key (bucket, window_start));

create table clock (
  id boolean primary key default true check (id),
  mode text not null default 'real' check (mode in ('real','simulated')),
  offset_ms bigint not null default 0,
  held_at timestamptz,
  seen_at timestamptz
);
insert into clock default values;

create table processes (
  id text primary key,
  kind text not null,
  started_at timestamptz not null default now(),
  seen_at timestamptz not null default now(),
  detail jsonb not null default '{}'
);

create table stages (
  account_id bigint not null references accounts,
  key text not null,
  name text not null,
  meaning text not null,
  position int not null,
  primary key (account_id, key)
);

create table horizons (
  account_id bigint not null references accounts,
  key text not null,
  name text not null,
  meaning text not null,
  position int not null,
  rhythm_days int not null,
  strokes int not null,
  primary key (account_id, key)
);

create table doors (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  kind text not null check (kind in ('api','page','hand','mail')),
  name text not null,
  slug text unique,
  page jsonb not null default '{}',
  active boolean not null default true,
  created_at timestamptz not null default now()
);

create table contacts (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  office_id bigint references offices,
  owner_id bigint references users,
  first_name text not null default '',
  last_name text not null default '',
  stage text not null default 'new',
  stage_since timestamptz not null,
  archived_because text,
  horizon text,
  roles text[] not null default '{}',
  source text,
  time_zone text not null,
  street text,
  city text,
  postal_code text,
  wants jsonb not null default '{}',
  do_not_contact boolean not null default false,
  hand_raised_at timestamptz,
  last_touch_at timestamptz not null default '1970-01-01T00:00:00Z',
  next_touch_at timestamptz,
  next_touch_kind text check (next_touch_kind in ('promise','call','rhythm')),
  owned_since timestamptz,
  created_at timestamptz not null,
  updated_at timestamptz not null
);
create index contacts_created on contacts (account_id, created_at desc, id desc);
create index contacts_owner_created on contacts (owner_id, created_at desc, id desc);
create index contacts_hand on contacts (owner_id, hand_raised_at) where hand_raised_at is not null;
create index contacts_next_touch on contacts (owner_id, next_touch_at) where next_touch_at is not null;
create index contacts_new on contacts (owner_id, created_at) where stage = 'new';
alter table contacts set (autovacuum_vacuum_scale_factor = 0.02);

create table contact_lenders (
  contact_id bigint not null references contacts on delete cascade,
  user_id bigint not null references users,
  primary key (user_id, contact_id)
);
create index on contact_lenders (contact_id);

create table contact_points (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  contact_id bigint not null references contacts on delete cascade,
  kind text not null check (kind in ('phone','email')),
  value text not null,
  position int not null default 0,
  active boolean not null default true,
  fault text
);
create unique index contact_points_one_owner on contact_points (account_id, kind, value) where active;
create index on contact_points (contact_id);

create table contact_search (
  contact_id bigint primary key references contacts on delete cascade,
  search_text text not null
);
create index contact_search_trigram on contact_search using gin (search_text gin_trgm_ops);

create table contact_facts (
  contact_id bigint primary key references contacts on delete cascade,
  inquiries int not null default 0,
  first_inquiry_at timestamptz,
  last_inquiry_at timestamptz,
  attempts int not null default 0,
  first_attempt_at timestamptz,
  last_attempt_at timestamptz,
  reached int not null default 0,
  last_reached_at timestamptz,
  talk_seconds int not null default 0,
  conversations int not null default 0,
  last_conversation_at timestamptz,
  texts_out int not null default 0,
  texts_in int not null default 0,
  emails_out int not null default 0,
  emails_in int not null default 0,
  letters_out int not null default 0,
  last_in_at timestamptz,
  last_human_out_at timestamptz,
  last_touch_at timestamptz
) with (fillfactor = 80);

create table tags (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  name text not null
);
create unique index on tags (account_id, lower(name));
create table contact_tags (
  contact_id bigint not null references contacts on delete cascade,
  tag_id bigint not null references tags,
  primary key (tag_id, contact_id)
);
create index on contact_tags (contact_id);

create table inquiries (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  door_id bigint not null references doors,
  contact_id bigint not null references contacts,
  source text,
  raw jsonb not null,
  parsed jsonb not null,
  matched boolean not null,
  owner_id bigint references users,
  rung_id bigint,
  because jsonb not null default '{}',
  idempotency_key text,
  arrived_at timestamptz not null,
  first_try_at timestamptz
);
create unique index inquiries_idempotency on inquiries (door_id, idempotency_key) where idempotency_key is not null;
create index inquiries_arrived on inquiries (account_id, arrived_at desc, id desc);
create index inquiries_contact on inquiries (contact_id, arrived_at desc);
create index inquiries_untried on inquiries (owner_id, arrived_at) where first_try_at is null;

create table activities (
  id bigint generated always as identity primary key,
  account_id bigint not null,
  contact_id bigint not null references contacts on delete cascade,
  user_id bigint,
  at timestamptz not null,
  kind text not null,
  channel text,
  direction text,
  data jsonb not null default '{}',
  because jsonb
);
create index activities_timeline on activities (contact_id, at desc, id desc);

create table permission_changes (
  id bigint generated always as identity primary key,
  account_id bigint not null,
  channel text not null,
  address text not null,
  state text not null check (state in ('granted','withdrawn')),
  how text not null,
  evidence text,
  user_id bigint,
  at timestamptz not null
);
create index on permission_changes (account_id, address, channel, at desc);
create table permissions (
  account_id bigint not null,
  channel text not null,
  address text not null,
  state text not null,
  for_good boolean not null default false,
  how text not null,
  evidence text,
  at timestamptz not null,
  primary key (account_id, address, channel)
);

create table rosters (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  name text not null,
  hand_out text not null default 'round-robin',
  last_user_id bigint references users,
  safety_net_id bigint not null references users
);
create table roster_members (
  roster_id bigint not null references rosters on delete cascade,
  user_id bigint not null references users,
  position int not null,
  handed int not null default 0,
  primary key (roster_id, user_id)
);

create table campaigns (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  name text not null,
  state text not null default 'on' check (state in ('on','held')),
  exclusive_group text,
  touches jsonb not null,
  created_at timestamptz not null
);

create table rungs (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  position int not null,
  roles text[] not null default '{}',
  roster_id bigint not null references rosters,
  campaign_id bigint references campaigns
);

create table offers (
  id bigint generated always as identity primary key,
  account_id bigint not null,
  inquiry_id bigint not null unique references inquiries on delete cascade,
  contact_id bigint not null references contacts on delete cascade,
  user_id bigint not null references users,
  offered_at timestamptz not null,
  answered_at timestamptz
);
create index offers_waiting on offers (user_id, offered_at) where answered_at is null;
create index on offers (contact_id) where answered_at is null;

create table enrolments (
  id bigint generated always as identity primary key,
  account_id bigint not null,
  campaign_id bigint not null references campaigns,
  contact_id bigint not null references contacts on delete cascade,
  state text not null default 'active' check (state in ('active','stopped','finished')),
  step int not null default 0,
  started_at timestamptz not null,
  due_at timestamptz,
  planned_at timestamptz,
  ended_at timestamptz,
  because jsonb
);
create unique index enrolments_once on enrolments (contact_id, campaign_id) where state = 'active';
create index enrolments_due on enrolments (due_at, id) where state = 'active';
create index enrolments_campaign on enrolments (campaign_id, state);
alter table enrolments set (autovacuum_vacuum_scale_factor = 0.02, fillfactor = 85);

create table outbox (
  id bigint generated always as identity primary key,
  account_id bigint not null,
  key text not null unique,
  channel text not null,
  contact_id bigint not null references contacts on delete cascade,
  enrolment_id bigint references enrolments on delete cascade,
  user_id bigint,
  address text,
  payload jsonb not null,
  automatic boolean not null,
  due_at timestamptz not null,
  state text not null default 'waiting' check (state in ('waiting','sending','sent','held','parked')),
  attempts int not null default 0,
  leased_by text,
  retry_at timestamptz,
  fault text,
  receipt text,
  sent_at timestamptz,
  created_at timestamptz not null
);
create index outbox_open on outbox (due_at, id) where state in ('waiting','sending');
create index outbox_contact on outbox (contact_id, id desc);

create table calls (
  id bigint generated always as identity primary key,
  account_id bigint not null,
  contact_id bigint not null references contacts on delete cascade,
  user_id bigint not null,
  key text not null unique,
  direction text not null default 'out',
  number text not null,
  state text not null,
  outcome text,
  outcome_by text,
  note text not null default '',
  started_at timestamptz not null,
  answered_at timestamptz,
  ended_at timestamptz,
  talk_seconds int not null default 0,
  activity_id bigint
);
create index calls_live on calls (contact_id) where state not in ('ended');
create index calls_user on calls (account_id, started_at, user_id) include (contact_id, outcome, talk_seconds);
create index calls_contact on calls (contact_id, started_at);

create table tasks (
  id bigint generated always as identity primary key,
  account_id bigint not null,
  contact_id bigint not null references contacts on delete cascade,
  user_id bigint,
  kind text not null check (kind in ('call','promise')),
  due_at timestamptz not null,
  note text not null default '',
  because jsonb,
  key text unique,
  done_at timestamptz,
  created_at timestamptz not null
);
create index tasks_open on tasks (contact_id, due_at) where done_at is null;

create table received (source text not null, event_id text not null, at timestamptz not null default now(), primary key (source, event_id));

create table idempotent_replies (
  principal text not null,
  key text not null,
  fingerprint bytea not null,
  status int,
  body jsonb,
  started_at timestamptz not null default now(),
  primary key (principal, key)
);

create table audit (
  id bigint generated always as identity primary key,
  account_id bigint not null,
  user_id bigint,
  what text not null,
  data jsonb not null default '{}',
  at timestamptz not null
);

create table advances (
  id bigint generated always as identity primary key,
  goal timestamptz,
  state text not null default 'waiting',
  reached timestamptz,
  done int not null default 0,
  fault text,
  created_at timestamptz not null default now()
);
`;

export const first: Migration = { name: '0001_first', up: (run) => run(up) };
