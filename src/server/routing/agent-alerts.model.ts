/** The table of agent alerts. */
import { bigint, id, instant, made, orNull, table, text } from '../shared';

export const agentAlertsTable = table('agent_alerts', {
  id: id(),
  account_id: bigint(),
  user_id: bigint(),
  offer_id: orNull(bigint()),
  channel: text<'text' | 'email' | 'call'>(),
  subject: made(text()),
  body: text(),
  made_at: instant(),
  sent_at: orNull(instant()),
  error: orNull(text()),
});
