/** Bringing files in: the file itself in parts, what was recognised in it, how far it is, each row's fate with what stood there before, and remembered headings. */
import type { Migration } from './migration';

const up = `
create table imports (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  user_id bigint references users,
  file_name text not null,
  bytes bigint not null default 0,
  state text not null default 'uploading' check (state in ('uploading','looking','ready','refused','waiting','running','done','cancelled','failed','undoing','undone')),
  format jsonb not null default '{}',
  columns jsonb not null default '[]',
  options jsonb not null default '{}',
  look jsonb not null default '{}',
  sentence text,
  read int not null default 0,
  total int not null default 0,
  made int not null default 0,
  changed int not null default 0,
  same int not null default 0,
  left_out int not null default 0,
  doubtful int not null default 0,
  undone int not null default 0,
  undo_left_alone int not null default 0,
  cancel boolean not null default false,
  fault text,
  made_at timestamptz not null,
  ended_at timestamptz
);
create index on imports (account_id, id desc);
create table import_parts (
  import_id bigint not null references imports on delete cascade,
  n int not null,
  bytes bytea not null,
  primary key (import_id, n)
);
alter table import_parts alter column bytes set storage external;
create table import_rows (
  import_id bigint not null references imports on delete cascade,
  row int not null,
  part smallint not null default 0,
  outcome text not null check (outcome in ('made','changed','same','left')),
  contact_id bigint,
  why text,
  raw jsonb,
  before jsonb,
  after jsonb,
  primary key (import_id, row, part)
);
create index on import_rows (import_id, outcome) where outcome = 'left';
alter table contact_points add column extension text;
create table heading_memory (
  account_id bigint not null references accounts,
  headings text not null,
  columns jsonb not null,
  primary key (account_id, headings)
);
`;

export const imports: Migration = { name: '0003_imports', up: (run) => run(up) };
