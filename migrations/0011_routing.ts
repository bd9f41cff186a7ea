/**
 * Routing whole: rungs with conditions, rosters with their ways of handing out, offers with windows, the way of each inquiry step by step,
 * word to agents, and rehearsals.
 */
import type { Migration } from './migration';

const up = `
alter table rosters drop column hand_out;
alter table rosters
  add column hand_out text not null default 'round_robin' check (hand_out in ('round_robin', 'weighted', 'open', 'turns')),
  add column window_seconds int not null default 600 check (window_seconds between 5 and 604800),
  add column try_seconds int check (try_seconds between 30 and 2592000),
  add column most_turns int check (most_turns between 1 and 500),
  add column then_to text not null default 'safety_net' check (then_to in ('safety_net', 'roster', 'commons')),
  add column then_roster_id bigint references rosters,
  add column commons_seconds int not null default 3600 check (commons_seconds between 30 and 604800),
  add column hides text[] not null default '{}',
  add column sees text not null default 'own' check (sees in ('own', 'all')),
  add column credit jsonb not null default '{}',
  add column deleted_at timestamptz;

alter table roster_members
  add column weight int not null default 1 check (weight between 1 and 1000),
  add column daily_cap int check (daily_cap >= 0),
  add column open_cap int check (open_cap >= 0),
  add column hours jsonb not null default '[]',
  add column paused boolean not null default false,
  add column state text not null default 'in' check (state in ('in', 'invited', 'declined')),
  add column invited_at timestamptz,
  add column answered_at timestamptz;
create index roster_members_of_user on roster_members (user_id);

alter table rungs
  add column tree jsonb not null default '{"all": []}',
  add column tags bigint[] not null default '{}',
  add column lender_id bigint references users,
  add column lender_roster_id bigint references rosters,
  add column notify text[] not null default '{}',
  add column deleted_at timestamptz;
update rungs set tree = jsonb_build_object('all', jsonb_build_array(jsonb_build_object('on', 'lead_role', 'how', 'any', 'of', to_jsonb(roles)))) where roles <> '{}';
alter table rungs drop column roles;

-- What the ladder was when: each inquiry names the one it was asked of, so that its way can be read years later.
create table ladder_versions (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  made_at timestamptz not null,
  made_by text not null,
  own_listing boolean not null default false,
  rungs jsonb not null
);
create index ladder_versions_latest on ladder_versions (account_id, id desc);

create table routings (
  id bigint generated always as identity primary key,
  inquiry_id bigint not null unique references inquiries on delete cascade,
  account_id bigint not null,
  contact_id bigint not null references contacts on delete cascade,
  version_id bigint references ladder_versions,
  rung_id bigint,
  roster_id bigint,
  state text not null check (state in ('offered', 'commons', 'given', 'settled')),
  passing jsonb,
  trace jsonb not null,
  begun_at timestamptz not null,
  ends_at timestamptz,
  owned_at timestamptz
);
create index routings_due on routings (ends_at) where ends_at is not null;
create index routings_of_contact on routings (contact_id) where state in ('offered', 'commons');
create index routings_open on routings (account_id) where state in ('offered', 'commons');

-- One row for each person to whom a lead was given or offered.
alter table offers drop constraint offers_inquiry_id_key;
alter table offers
  add column state text not null default 'given' check (state in ('open', 'given', 'accepted', 'declined', 'lapsed', 'lost', 'withdrawn')),
  add column roster_id bigint,
  add column ends_at timestamptz,
  add column taken_at timestamptz,
  add column commons boolean not null default false,
  add column hides text[] not null default '{}';
create index offers_of_inquiry on offers (inquiry_id);
create index offers_taken on offers (user_id, taken_at);
create index offers_open on offers (user_id) where state = 'open';

-- Word to agents outside the pages: exactly once, by its key.
create table notices (
  id bigint generated always as identity primary key,
  account_id bigint not null,
  user_id bigint not null references users,
  offer_id bigint references offers on delete cascade,
  channel text not null check (channel in ('text', 'email', 'call')),
  subject text not null default '',
  body text not null,
  made_at timestamptz not null,
  sent_at timestamptz,
  fault text
);

create table rehearsals (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  made_by bigint references users,
  made_at timestamptz not null,
  days int not null,
  ladder jsonb not null,
  state text not null check (state in ('waiting', 'running', 'done', 'failed', 'cancelled')),
  inquiries int not null default 0,
  done int not null default 0,
  result jsonb,
  fault text
);
create table rehearsal_outcomes (
  rehearsal_id bigint not null references rehearsals on delete cascade,
  inquiry_id bigint not null,
  rung_id bigint,
  before_id bigint not null,
  user_id bigint not null,
  seconds int not null,
  moved boolean not null,
  primary key (rehearsal_id, inquiry_id)
);
`;

export const routing: Migration = { name: '0011_routing', up: (run) => run(up) };
