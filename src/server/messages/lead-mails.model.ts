/** The table of lead mails. */
import type { LeadMail, MailState } from '@/core/mail';
import { bigint, bytes, id, instant, json, orNull, table, text } from '../shared';

export const leadMailsTable = table('lead_mails', {
  id: id(),
  account_id: bigint(),
  door_id: bigint(),
  message_id: text(),
  from_address: text(),
  from_name: text(),
  subject: text(),
  body: text(),
  read: json<LeadMail>(),
  state: text<MailState>(),
  inquiry_id: orNull(bigint()),
  arrived_at: instant(),
  looked_at: orNull(instant()),
  looked_by: orNull(bigint()),
  raw: orNull(bytes()),
});
