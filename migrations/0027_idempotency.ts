/** That a call with an Idempotency-Key did its work is written in the transaction of the work; what was sent is known by its digest; answers are kept for a day. */
import type { Migration } from './migration';

export const idempotency: Migration = {
  name: '0027_idempotency',
  up: (run) =>
    run(`alter table idempotent_replies add column committed_at timestamptz, add column sent bytea;
create index idempotent_replies_old on idempotent_replies (started_at);
delete from idempotent_replies`),
};
