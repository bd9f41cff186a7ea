/** A note of a contact can be pinned above everything else. No foreign key: activities are never deleted one by one. */
import type { Migration } from './migration';

export const pinnedNotes: Migration = {
  name: '0033_pinned_notes',
  up: (run) => run('alter table contacts add column pinned_note_id bigint'),
};
