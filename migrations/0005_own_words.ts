/** Stages, horizons and fields that an account takes away are put out of sight, so that taking them away can be undone. */
import type { Migration } from './migration';

const up = `
alter table stages add column deleted_at timestamptz;
alter table horizons add column deleted_at timestamptz;
alter table fields add column deleted_at timestamptz;
drop index fields_one_name;
create unique index fields_one_name on fields (account_id, lower(name)) where deleted_at is null;
create sequence own_words;
`;

export const ownWords: Migration = { name: '0005_own_words', up: (run) => run(up) };
