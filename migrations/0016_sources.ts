/** Lead sources by name: those that are known, those that a lead brought and nobody has looked at yet, and which are the same as another; merges with what is needed to take them apart. */
import type { Migration } from './migration';

const up = `
create table sources (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  name text not null,
  key text not null,
  state text not null check (state in ('known','proposed','merged')),
  into_id bigint references sources,
  first_at timestamptz not null,
  unique (account_id, key)
);

create table source_merges (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  from_id bigint not null references sources,
  into_id bigint not null references sources,
  moved jsonb not null,
  made_by bigint references users,
  at timestamptz not null,
  undone_at timestamptz
);

insert into sources (account_id, name, key, state, first_at)
select account_id, min(source), lower(source), 'known', min(at) from (
  select account_id, source, created_at as at from contacts where source is not null and source <> ''
  union all select account_id, source, arrived_at from inquiries where source is not null and source <> ''
) s group by account_id, lower(source);
`;

export const sources: Migration = { name: '0016_sources', up: (run) => run(up) };
