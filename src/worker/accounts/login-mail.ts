/** Word to somebody about their own login, handed to the mail provider once, by its key. */
import type { Jobs } from '@/core/shared';
import { fullName, type User } from '@/core/accounts';
import { brokerageName, findUser, makeReset, RESET_MINUTES } from '@/server/accounts';
import { config, now } from '@/server/shared';
import { sendOfficeMail } from '../shared/office-mail';
import type { Providers } from '../shared/providers';

export async function mailUser({ mail }: Jobs['accounts.mail'], outside: Providers): Promise<void> {
  const user = await findUser(mail.userId);
  if (user) await send(user, { ...mail, text: `${mail.text}\n\n${config().publicUrl}\n` }, outside);
}

/** A link for a forgotten password. Tried again it is another one: the first may never have left. */
export async function mailReset({ reset }: Jobs['accounts.reset'], outside: Providers): Promise<void> {
  const made = await makeReset(reset.email);
  if (!made) return;
  const { user, token } = made;
  const text = [
    `Hi ${user.firstName},`,
    `Here’s the link to choose a new password for ${user.email}. It works once, for ${RESET_MINUTES} minutes:`,
    `${config().publicUrl}/reset/${token}`,
    'If you didn’t ask for it, ignore this email. Your password stays as it is.',
  ].join('\n\n');
  await send(user, { key: reset.key, subject: 'Choose a new password', text }, outside);
}

async function send(user: User, mail: { key: string; subject: string; text: string }, outside: Providers): Promise<void> {
  const answer = await sendOfficeMail(outside, {
    ...mail,
    accountId: user.accountId,
    fromName: await brokerageName(user.accountId),
    to: { name: fullName(user), address: user.email },
    at: await now(),
  });
  if (answer.result === 'later') throw new Error(answer.error);
}
