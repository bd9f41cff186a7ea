/** Webhooks of the account's own: where other programs listen, and every delivery with its tries. On real time. */
import type { Migration } from './migration';

const up = `
create table webhooks (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  url text not null,
  events text[] not null,
  secret bytea not null,
  state text not null default 'on' check (state in ('on','off','failing')),
  failing_since timestamptz,
  made_by bigint references users,
  made_at timestamptz not null default clock_timestamp(),
  deleted_at timestamptz
);
create index webhooks_of_account on webhooks (account_id) where deleted_at is null;
create table webhook_deliveries (
  id bigint generated always as identity primary key,
  webhook_id bigint not null references webhooks,
  event text not null,
  about jsonb not null,
  payload text,
  made_at timestamptz not null default clock_timestamp(),
  state text not null default 'waiting' check (state in ('waiting','delivered','failed')),
  tries int not null default 0,
  next_at timestamptz,
  last_at timestamptz,
  status int,
  error text,
  answer text,
  took_ms int
);
create index webhook_deliveries_of_webhook on webhook_deliveries (webhook_id, id desc);
create index webhook_deliveries_waiting on webhook_deliveries (webhook_id) where state = 'waiting';
create index webhook_deliveries_by_time on webhook_deliveries (made_at);
`;

export const webhooks: Migration = { name: '0047_webhooks', up: (run) => run(up) };
