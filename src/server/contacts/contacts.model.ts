/** The table of contacts. */
import type { ContactRole } from '@/core/contacts';
import type { Horizon } from '@/core/contacts';
import type { Stage } from '@/core/contacts';
import { bigint, bool, id, instant, json, made, orNull, table, text, texts } from '../shared';

export const contactsTable = table('contacts', {
  id: id(),
  account_id: bigint(),
  office_id: orNull(bigint()),
  owner_id: orNull(bigint()),
  first_name: made(text()),
  last_name: made(text()),
  stage: made(text<Stage>()),
  stage_since: instant(),
  archived_because: orNull(text()),
  horizon: orNull(text<Horizon>()),
  roles: made(texts<ContactRole>()),
  source: orNull(text()),
  time_zone: text(),
  street: orNull(text()),
  city: orNull(text()),
  postal_code: orNull(text()),
  wants: made(json<Record<string, unknown>>()),
  do_not_contact: made(bool()),
  hand_raised_at: orNull(instant()),
  last_touch_at: made(instant()),
  next_touch_at: orNull(instant()),
  next_touch_kind: orNull(text<'promise' | 'call' | 'rhythm'>()),
  owned_since: orNull(instant()),
  created_at: instant(),
  updated_at: instant(),
  company: orNull(text()),
  region: orNull(text()),
  country: orNull(text()),
  household_id: orNull(bigint()),
  name_key: orNull(made(text())),
  deleted_at: orNull(instant()),
  campaigns_held: made(bool()),
  wrote_at: orNull(instant()),
  unread_at: orNull(instant()),
  refused_at: orNull(instant()),
});
