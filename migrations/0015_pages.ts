/** Public pages made of blocks, pictures on them, and what visitors do there before they are known and after. */
import type { Migration } from './migration';

const up = `
create table pictures (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  type text not null,
  bytes bytea not null,
  made_by bigint references users,
  made_at timestamptz not null
);

create table visitors (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  token_hash bytea not null unique,
  contact_id bigint references contacts on delete set null,
  first_at timestamptz not null,
  last_at timestamptz not null
);
create index visitors_contact on visitors (contact_id) where contact_id is not null;

create table visitor_steps (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  visitor_id bigint references visitors on delete cascade,
  door_id bigint not null references doors,
  kind text not null check (kind in ('visit','viewed_home','saved_home')),
  listing_number text,
  text text not null default '',
  at timestamptz not null,
  told boolean not null default false,
  once_key text unique
);
create index visitor_steps_latest on visitor_steps (visitor_id, kind, at desc);
create index visitor_steps_door on visitor_steps (door_id, at desc);
create unique index visitor_steps_saved on visitor_steps (visitor_id, listing_number) where kind = 'saved_home';

-- Pages that were a heading, a text and one permission become pages of blocks.
update doors d set page = jsonb_build_object(
  'kind', 'form',
  'blocks', jsonb_build_array(
    jsonb_build_object('id', 'b1', 'kind', 'heading', 'text', coalesce(page->>'heading', d.name)),
    jsonb_build_object('id', 'b2', 'kind', 'text', 'text', coalesce(page->>'intro', 'Tell us what you look for.')),
    jsonb_build_object('id', 'b3', 'kind', 'form', 'asks', jsonb_build_array('last_name','phone','email','city','role','message'), 'button', 'Send', 'thanks', 'Thank you. An agent has your question now and will be in touch.'),
    jsonb_build_object('id', 'b4', 'kind', 'footer', 'text', a.name)),
  'permissions', jsonb_build_object('text', page->>'consent', 'call', null, 'email', null),
  'listing', null, 'host_id', null, 'to_host', false, 'criteria', '{}'::jsonb, 'gate_after', 0, 'cover', null)
from accounts a where a.id = d.account_id and d.kind = 'page' and not d.page ? 'blocks';
`;

export const pages: Migration = { name: '0015_pages', up: (run) => run(up) };
