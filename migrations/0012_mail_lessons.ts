/** What a door learned from corrections, for the mails of one sender. */
import type { Migration } from './migration';

const up = `
create table mail_lessons (
  id bigint generated always as identity primary key,
  account_id bigint not null references accounts,
  door_id bigint not null references doors,
  sender text not null,
  field text not null,
  before text not null,
  after text not null,
  made_by bigint references users,
  made_at timestamptz not null
);
create unique index mail_lessons_once on mail_lessons (door_id, sender, field, before, after);
`;

export const mailLessons: Migration = { name: '0012_mail_lessons', up: (run) => run(up) };
