/** The table of contact tags. */
import { bigint, key, table } from '../shared';

export const contactTagsTable = table('contact_tags', {
  contact_id: key(bigint()),
  tag_id: key(bigint()),
});
