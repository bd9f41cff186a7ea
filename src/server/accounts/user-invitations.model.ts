/** The table of invitations to work here. */
import type { InvitedRole } from '@/core/accounts';
import { bigint, bytes, id, instant, made, orNull, table, text } from '../shared';

export const userInvitationsTable = table('user_invitations', {
  id: id(),
  account_id: bigint(),
  token_hash: orNull(bytes()),
  email: text(),
  role: text<InvitedRole>(),
  office_id: orNull(bigint()),
  first_name: made(text()),
  last_name: made(text()),
  invited_by: bigint(),
  made_at: made(instant()),
  ends_at: instant(),
  mailed_at: orNull(instant()),
  mail_error: orNull(text()),
  accepted_at: orNull(instant()),
  user_id: orNull(bigint()),
  revoked_at: orNull(instant()),
  roster_id: orNull(bigint()),
});
