/**
 * Lead mailboxes: doors with an address of their own, and every mail that came to one: what was read from it and what became of it.
 * A mail that nobody could read waits for a person; none is lost and none is taken twice.
 */
import type { Migration } from './migration';

const up = `
alter table doors add column address text, add column source text, add column defaults jsonb not null default '{}';
create unique index doors_address on doors (address) where address is not null;

create table lead_mails (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  door_id bigint not null references doors,
  message_id text not null,
  from_address text not null,
  from_name text not null,
  subject text not null,
  body text not null,
  read jsonb not null,
  state text not null check (state in ('taken', 'answer', 'set_aside', 'waiting')),
  inquiry_id bigint references inquiries,
  arrived_at timestamptz not null,
  looked_at timestamptz,
  looked_by bigint references users
);
create unique index lead_mails_once on lead_mails (door_id, message_id);
create index lead_mails_of_account on lead_mails (account_id, arrived_at desc, id desc);
create index lead_mails_waiting on lead_mails (account_id, arrived_at) where state = 'waiting';
`;

export const leadMail: Migration = { name: '0010_lead_mail', up: (run) => run(up) };
