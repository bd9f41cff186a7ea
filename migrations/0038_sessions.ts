/** Sessions as their owner sees them: since when, from where, by what, and when last. Those that are open stay open. */
import type { Migration } from './migration';

const up = `
alter table sessions
  add column id bigint generated always as identity unique,
  add column last_seen_at timestamptz not null default clock_timestamp(),
  add column from_address text not null default '',
  add column device text not null default '';
`;

export const sessionsSeen: Migration = { name: '0038_sessions', up: (run) => run(up) };
