/** The table of contact dates. */
import { bigint, id, int, made, orNull, table, text } from '../shared';

export const contactDatesTable = table('contact_dates', {
  id: id(),
  contact_id: bigint(),
  kind: text<'birthday' | 'closing' | 'wedding' | 'other'>(),
  label: made(text()),
  year: orNull(int()),
  month_day: int(),
});
