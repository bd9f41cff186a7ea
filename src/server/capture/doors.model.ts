/** The table of doors. */
import type { DoorDefaults } from '@/core/capture';
import type { Mapping } from '@/core/mail';
import type { PublicPage } from '@/core/pages';
import { bigint, bool, id, instant, json, made, orNull, table, text } from '../shared';

export const doorsTable = table('doors', {
  id: id(),
  account_id: bigint(),
  kind: text<'api' | 'page' | 'hand' | 'mail' | 'file'>(),
  name: text(),
  slug: orNull(text()),
  page: made(json<PublicPage | Record<string, never>>()),
  active: made(bool()),
  created_at: made(instant()),
  address: orNull(text()),
  source: orNull(text()),
  defaults: made(json<DoorDefaults>()),
  mapping: made(json<Mapping>()),
  sandbox: made(bool()),
});
