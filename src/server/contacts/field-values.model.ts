/** The table of field values. */
import { bigint, day, int, key, made, numeric, orNull, smallint, table, text } from '../shared';

export const fieldValuesTable = table('field_values', {
  field_id: key(bigint()),
  contact_id: key(bigint()),
  ordinal: key(made(smallint())),
  words: orNull(text()),
  number: orNull(numeric()),
  day: orNull(day()),
  month_day: orNull(int()),
  linked_id: orNull(bigint()),
});
