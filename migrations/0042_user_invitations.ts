/** Invitations to work here: kept as hashes of their links; the user is made when one is accepted. */
import type { Migration } from './migration';

const up = `
create table user_invitations (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  token_hash bytea unique,
  email text not null,
  role text not null check (role in ('admin','agent','caller','lender')),
  office_id bigint references offices,
  first_name text not null default '',
  last_name text not null default '',
  invited_by bigint not null references users,
  made_at timestamptz not null default clock_timestamp(),
  ends_at timestamptz not null,
  mailed_at timestamptz,
  mail_error text,
  accepted_at timestamptz,
  user_id bigint references users,
  revoked_at timestamptz
);
create unique index on user_invitations (account_id, email) where accepted_at is null and revoked_at is null;
`;

export const userInvitations: Migration = { name: '0042_user_invitations', up: (run) => run(up) };
