/** Exports that come back by themselves, and files that are sent to whoever asked. */
import type { Migration } from './migration';

const up = `
create table export_schedules (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  user_id bigint not null references users on delete cascade,
  name text not null,
  format text not null check (format in ('csv','xlsx','vcf','labels','cards')),
  options jsonb not null default '{}',
  question jsonb not null,
  every text not null check (every in ('day','week','month')),
  day int not null,
  at text not null,
  zone text not null,
  email boolean not null,
  next_at timestamptz not null,
  fault text,
  made_at timestamptz not null
);
create index on export_schedules (next_at);
create index on export_schedules (account_id, user_id);
alter table exports add column email boolean not null default false, add column schedule_id bigint references export_schedules on delete set null,
  add column mailed_at timestamptz, add column mail_fault text;
`;

export const exportSchedules: Migration = { name: '0007_export_schedules', up: (run) => run(up) };
