/** A key that ends because another took its place, apart from one that was made for a time. */
import type { Migration } from './migration';

const up = `alter table api_keys add column replaced_by bigint references api_keys;`;

export const keySuccessors: Migration = { name: '0044_key_successors', up: (run) => run(up) };
