/** Wrong logins by who tried and for whom, so that each further one waits longer. */
import type { Migration } from './migration';

export const loginFailures: Migration = {
  name: '0025_login_failures',
  up: (run) =>
    run(`create table login_failures (
  bucket text primary key,
  failures int not null default 1,
  last_at timestamptz not null default clock_timestamp()
)`),
};
