/** The link of an invitation to whoever is invited. Tried again it is another one: the first may never have left. */
import type { Jobs } from '@/core/shared';
import { INVITATION_DAYS, makeInvitationMail, saveInvitationMailed } from '@/server/accounts';
import { now } from '@/server/shared';
import { sendOfficeMail } from '../shared/office-mail';
import type { Providers } from '../shared/providers';

export async function mailInvitation({ invitationId }: Jobs['accounts.invite'], outside: Providers): Promise<void> {
  const invitation = await makeInvitationMail(invitationId);
  if (!invitation) return;
  const { accountId, brokerage, invitedBy, email, name, link } = invitation;
  const answer = await sendOfficeMail(outside, {
    accountId,
    key: `invitation-${invitationId}-${link.slice(-12)}`,
    fromName: brokerage,
    to: { name, address: email },
    subject: `${invitedBy} invited you to ${brokerage}`,
    text: [
      name ? `Hi ${name.split(' ')[0]},` : 'Hi,',
      `${invitedBy} invited you to work with ${brokerage} on Urraca. Follow the link to choose your password. It works once, for ${INVITATION_DAYS} days:`,
      link,
      'If you don’t know who this is, ignore this email.',
    ].join('\n\n'),
    at: await now(),
  });
  await saveInvitationMailed(invitationId, answer.result === 'accepted' ? null : answer.error);
  if (answer.result === 'later') throw new Error(answer.error);
}
