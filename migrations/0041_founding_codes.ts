/** One-time codes by which a brokerage is founded at /welcome: kept as hashes, taken away when one is used. */
import type { Migration } from './migration';

const up = `
create table founding_codes (
  code_hash bytea primary key,
  made_at timestamptz not null default clock_timestamp(),
  ends_at timestamptz not null
);
`;

export const foundingCodes: Migration = { name: '0041_founding_codes', up: (run) => run(up) };
