/**
 * The one INSERT of activities. `recordActivities` is the way in; in a statement about many (an import, a change of many) lines of the timeline on
 * which no fact depends are inserted beside what they tell of.
 */
import type { ActivityKind } from '@/core/contacts';

/** Of each row what the line says: expressions of SQL; `kind` as a word. */
interface LineSql {
  account: string;
  contact: string;
  user: string;
  at: string;
  /** Of the kind named, or as the expression says. */
  kind: ActivityKind | { sql: string };
  channel?: string;
  direction?: string;
  data: string;
  because?: string;
}

/** @param from FROM with whatever follows it */
export const insertActivitiesSql = (from: string, line: LineSql): string => {
  const { account, contact, user, at, kind, channel = 'null', direction = 'null', data, because = 'null' } = line;
  return `insert into activities (account_id, contact_id, user_id, at, kind, channel, direction, data, because)
    select ${account}, ${contact}, ${user}, ${at}, ${typeof kind === 'string' ? `'${kind}'` : kind.sql}, ${channel}, ${direction}, ${data}, ${because} from ${from}`;
};
