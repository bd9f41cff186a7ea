/** The table of idempotent replies. */
import { bytes, instant, int, json, key, made, orNull, table, text } from './table';

export const idempotentRepliesTable = table('idempotent_replies', {
  principal: key(text()),
  key: key(text()),
  fingerprint: bytes(),
  status: orNull(int()),
  body: orNull(json()),
  started_at: made(instant()),
  committed_at: orNull(instant()),
  sent: orNull(bytes()),
});
