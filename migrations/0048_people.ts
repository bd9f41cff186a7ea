/** The people of a brokerage, whole: roles of its own, teams, profiles, time off from a day on; and by which key something was done. */
import type { Migration } from './migration';

const up = `
create table custom_roles (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  name text not null,
  base text not null check (base in ('agent','caller')),
  rights text[] not null,
  deleted_at timestamptz
);
create unique index custom_roles_by_name on custom_roles (account_id, lower(name)) where deleted_at is null;
create table teams (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  name text not null,
  lead_id bigint references users,
  deleted_at timestamptz
);
create unique index teams_by_name on teams (account_id, lower(name)) where deleted_at is null;
create table team_members (
  team_id bigint not null references teams,
  user_id bigint not null references users,
  primary key (team_id, user_id)
);
create index team_members_of_user on team_members (user_id);
alter table users
  add column custom_role_id bigint references custom_roles,
  add column away_from timestamptz,
  add column profile jsonb not null default '{}',
  add column told_by text[] not null default '{email}';
alter table audit add column key_id bigint;
`;

export const people: Migration = { name: '0048_people', up: (run) => run(up) };
