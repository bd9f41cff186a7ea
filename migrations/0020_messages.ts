/**
 * Messages: templates with their versions and caps, challenges between them, broadcasts, files that go along, answers not read yet,
 * qualifying conversations; and of what went out: which wording it was, and what came of it.
 */
import type { Migration } from './migration';

const up = `
create table templates (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  channel text not null check (channel in ('text','email','letter','call')),
  name text not null,
  words jsonb not null,
  /* Counts up when the words change, so that what a wording brought is not counted for another. */
  version int not null default 1,
  shared boolean not null default true,
  day_cap int check (day_cap > 0),
  made_by bigint references users,
  made_at timestamptz not null,
  changed_at timestamptz not null,
  deleted_at timestamptz
);
create index templates_of_account on templates (account_id, channel) where deleted_at is null;

create table challenges (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  channel text not null,
  name text not null,
  template_ids bigint[] not null,
  winner_id bigint references templates,
  made_by bigint references users,
  made_at timestamptz not null,
  ended_at timestamptz,
  deleted_at timestamptz
);

/* What goes along with an e-mail. */
create table files (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  name text not null,
  type text not null,
  bytes bytea not null,
  made_by bigint references users,
  made_at timestamptz not null
);

create table broadcasts (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  name text not null,
  channel text not null check (channel in ('text','email','letter')),
  template_id bigint references templates,
  words jsonb not null,
  /* Segments together, a tree, or people by their ids. */
  selection jsonb not null,
  /* When it goes: now, at an instant, or at a clock time of a day in each person's zone. */
  goes jsonb not null default '{"on":"now"}',
  per_minute int not null check (per_minute between 1 and 100000),
  state text not null default 'draft' check (state in ('draft','filling','going','paused','done','cancelled','failed')),
  people int not null default 0,
  left_out jsonb not null default '{}',
  fault text,
  made_by bigint references users,
  made_at timestamptz not null,
  started_at timestamptz,
  ended_at timestamptz,
  /* Its letters as one file to print, and their labels. */
  letters_id bigint references files,
  labels_id bigint references files
);
create index broadcasts_of_account on broadcasts (account_id, id desc);

alter table outbox drop constraint outbox_state_check;
alter table outbox add constraint outbox_state_check check (state in ('waiting','sending','sent','held','parked','paused','cancelled'));
alter table outbox add column broadcast_id bigint references broadcasts on delete cascade;
alter table outbox add column template_id bigint references templates;
alter table outbox add column template_version int;
alter table outbox add column picks text[];
alter table outbox add column opened_at timestamptz;
alter table outbox add column opens int not null default 0;
alter table outbox add column clicked_at timestamptz;
alter table outbox add column bounced_at timestamptz;
alter table outbox add column complained_at timestamptz;
/* Where a letter is, as the print-and-post house says. */
alter table outbox add column tracking text;
create index outbox_broadcast on outbox (broadcast_id, state, due_at) where broadcast_id is not null;
create index outbox_turn on outbox (contact_id, due_at, key) where automatic and state in ('waiting','sending');
create index outbox_template on outbox (template_id, sent_at) where template_id is not null;

create table links (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  url text not null,
  unique (account_id, url)
);

/* Mails that came back for a while; whether a number stands on the do-not-call registry, and when that was asked. */
alter table contact_points add column soft_bounces int not null default 0;
alter table contact_points add column registered boolean not null default false;
alter table contact_points add column registry_at timestamptz;
create index contact_points_registry on contact_points (registry_at nulls first, id) where kind = 'phone' and active;
alter table households add column do_not_contact boolean not null default false;
/* When they last wrote to us, whatever they wrote. */
alter table contacts add column wrote_at timestamptz;
update contacts c set wrote_at = f.last_in_at from contact_facts f where f.contact_id = c.id and f.last_in_at is not null;
create index contacts_wrote on contacts (account_id, wrote_at desc, id desc) where wrote_at is not null;
/* When they wrote what nobody has read yet. */
alter table contacts add column unread_at timestamptz;
create index contacts_unread on contacts (account_id, owner_id) where unread_at is not null;

create table talks (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  contact_id bigint not null references contacts on delete cascade,
  enrolment_id bigint references enrolments on delete set null,
  state text not null check (state in ('open','handed','done','stopped')),
  flow jsonb not null,
  standing jsonb not null,
  because jsonb,
  started_at timestamptz not null,
  last_at timestamptz not null
);
create unique index talks_open on talks (contact_id) where state = 'open';

alter table campaign_versions add column asks_words boolean generated always as (plan->>'steps' like '%"from"%') stored;
alter table campaign_versions add column asks_listing boolean generated always as (plan->>'steps' like '%listing\\_%') stored;
`;

export const messages: Migration = { name: '0020_messages', up: (run) => run(up) };
