/** The table of inquiries. */
import type { Because } from '@/core/contacts';
import type { Matched } from '@/core/identity';
import { bigint, bool, id, instant, json, made, orNull, table, text } from '../shared';

export const inquiriesTable = table('inquiries', {
  id: id(),
  account_id: bigint(),
  door_id: bigint(),
  contact_id: bigint(),
  source: orNull(text()),
  raw: json(),
  parsed: json<{ ask?: string }>(),
  matched: bool(),
  owner_id: orNull(bigint()),
  rung_id: orNull(bigint()),
  because: made(json<Because>()),
  idempotency_key: orNull(text()),
  arrived_at: instant(),
  first_try_at: orNull(instant()),
  match: orNull(json<Matched>()),
});
