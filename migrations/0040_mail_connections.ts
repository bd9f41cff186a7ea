/** The mail server of an account's own; its password is kept sealed with the installation's secret. */
import type { Migration } from './migration';

const up = `
create table mail_connections (
  account_id bigint primary key references accounts,
  host text not null,
  port int not null,
  username text not null,
  password bytea,
  from_address text not null,
  state text not null default 'checking' check (state in ('checking','works','fails')),
  error text,
  changed_at timestamptz not null default clock_timestamp()
);
`;

export const mailConnections: Migration = { name: '0040_mail_connections', up: (run) => run(up) };
