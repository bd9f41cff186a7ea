/** The table of mail servers. */
import { bigint, bytes, instant, int, key, made, orNull, table, text } from '../shared';

export const mailConnectionsTable = table('mail_connections', {
  account_id: key(bigint()),
  host: text(),
  port: int(),
  username: text(),
  password: orNull(bytes()),
  from_address: text(),
  state: made(text<'checking' | 'works' | 'fails'>()),
  error: orNull(text()),
  changed_at: made(instant()),
});
