/**
 * When a message was last handed to its provider, by our clock: what was handed over without an answer may have gone, so it counts for the
 * caps until it is known.
 */
import type { Migration } from './migration';

const up = `
alter table outbox add column tried_at timestamptz;
`;

export const tried: Migration = { name: '0021_tried', up: (run) => run(up) };
