/** The table of contact points. */
import { bigint, bool, id, instant, int, made, orNull, table, text } from '../shared';

export const contactPointsTable = table('contact_points', {
  id: id(),
  account_id: bigint(),
  contact_id: bigint(),
  kind: text<'phone' | 'email'>(),
  value: text(),
  position: made(int()),
  active: made(bool()),
  error: orNull(text()),
  extension: orNull(text()),
  soft_bounces: made(int()),
  registered: made(bool()),
  registry_at: orNull(instant()),
  used_as: orNull(text<'cell' | 'home' | 'work' | 'other'>()),
  label: orNull(text()),
  line_type: orNull(text<'mobile' | 'landline' | 'voip'>()),
});
