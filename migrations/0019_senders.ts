/** Who sends to a lead mailbox, by domain: the first of a door is its own, each further one is proposed to the office as a door of its own. */
import type { Migration } from './migration';

const up = `
create table senders (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  door_id bigint not null references doors,
  domain text not null,
  name text not null,
  state text not null check (state in ('known','proposed')),
  first_at timestamptz not null,
  unique (account_id, domain)
);

insert into senders (account_id, door_id, domain, name, state, first_at)
select distinct on (m.account_id, split_part(m.from_address, '@', 2)) m.account_id, m.door_id, lower(split_part(m.from_address, '@', 2)), m.from_name, 'known', m.arrived_at
from lead_mails m where m.state = 'taken' and m.from_address like '%@%' and not (m.read->'emails') ? m.from_address
order by m.account_id, split_part(m.from_address, '@', 2), m.arrived_at
on conflict do nothing;
`;

export const senders: Migration = { name: '0019_senders', up: (run) => run(up) };
