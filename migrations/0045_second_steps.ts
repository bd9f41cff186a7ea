/** What proves who somebody is beside the password: codes of an app, recovery codes, passkeys; the devices they are known on; when a session last proved it. */
import type { Migration } from './migration';

const up = `
create table totp_secrets (
  user_id bigint primary key references users,
  secret bytea not null,
  confirmed_at timestamptz,
  last_step bigint not null default 0
);
create table recovery_codes (
  id bigint generated always as identity primary key,
  user_id bigint not null references users,
  code_hash text not null
);
create index recovery_codes_of_user on recovery_codes (user_id);
create table passkeys (
  id bigint generated always as identity primary key,
  user_id bigint not null references users,
  credential_id text not null unique,
  public_key bytea not null,
  counter bigint not null,
  transports text[] not null default '{}',
  name text not null,
  created_at timestamptz not null default clock_timestamp(),
  last_used_at timestamptz
);
create index passkeys_of_user on passkeys (user_id);
create table login_challenges (
  token_hash bytea primary key,
  kind text not null check (kind in ('second_step', 'passkey_login', 'passkey_new')),
  user_id bigint references users,
  challenge text not null default '',
  ends_at timestamptz not null
);
create table known_devices (
  token_hash bytea primary key,
  user_id bigint not null references users,
  last_at timestamptz not null default clock_timestamp()
);
create index known_devices_of_user on known_devices (user_id);
alter table sessions add column confirmed_at timestamptz not null default clock_timestamp();
`;

export const secondSteps: Migration = { name: '0045_second_steps', up: (run) => run(up) };
