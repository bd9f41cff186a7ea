/** The table of doors. */
import { bigint, bool, id, instant, json, made, orNull, table, text } from '../shared';

export const doorsTable = table('doors', {
  id: id(),
  account_id: bigint(),
  kind: text<'api' | 'page' | 'hand' | 'mail' | 'file'>(),
  name: text(),
  slug: orNull(text()),
  page: made(json()),
  active: made(bool()),
  created_at: made(instant()),
  address: orNull(text()),
  source: orNull(text()),
  defaults: made(json()),
  mapping: made(json()),
  sandbox: made(bool()),
});
