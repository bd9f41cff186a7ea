/** Links for a forgotten password: kept as hashes, good once and for a while. */
import type { Migration } from './migration';

const up = `
create table password_resets (
  token_hash bytea primary key,
  user_id bigint not null references users on delete cascade,
  made_at timestamptz not null default clock_timestamp(),
  ends_at timestamptz not null
);
create index on password_resets (user_id);
`;

export const passwordResets: Migration = { name: '0039_password_resets', up: (run) => run(up) };
