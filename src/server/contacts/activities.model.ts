/** The table of activities. */
import type { Activity, ActivityData, Because } from '@/core/contacts';
import { bigint, id, instant, json, made, orNull, table, text } from '../shared';

export const activitiesTable = table('activities', {
  id: id(),
  account_id: bigint(),
  contact_id: bigint(),
  user_id: orNull(bigint()),
  at: instant(),
  kind: text<Activity['kind']>(),
  channel: orNull(text<NonNullable<Activity['channel']>>()),
  direction: orNull(text<NonNullable<Activity['direction']>>()),
  data: made(json<ActivityData>()),
  because: orNull(json<Because>()),
});
