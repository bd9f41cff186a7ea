/** Mails that could not be read at all are kept as they came, for a person. */
import type { Migration } from './migration';

export const unreadMails: Migration = {
  name: '0024_unread_mails',
  up: (run) => run('alter table lead_mails add column raw bytea'),
};
