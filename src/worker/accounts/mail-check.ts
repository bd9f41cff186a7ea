/** A try of an account's own mail server: a mail by it to whoever entered it. What waited for a mail server goes when it works. */
import type { Jobs } from '@/core/shared';
import { fullName } from '@/core/accounts';
import { brokerageName, findUser, mailRouteToCheck, saveMailCheck } from '@/server/accounts';
import { releaseConnected } from '@/server/messages';
import { now } from '@/server/shared';
import { officeMail } from '../shared/office-mail';
import type { Providers } from '../shared/providers';

export async function checkMail({ accountId, userId }: Jobs['accounts.mail_check'], outside: Providers): Promise<void> {
  const [asked, user] = await Promise.all([mailRouteToCheck(accountId), findUser(userId)]);
  if (!asked || !user) return;
  const { route, changedAt } = asked;
  if (!route) return saveMailCheck(accountId, changedAt, 'enter its password again');
  const at = await now();
  const brokerage = await brokerageName(accountId);
  const answer = await outside.mail.sendBy(
    route,
    officeMail({
      accountId,
      key: `mail-check-${accountId}-${changedAt.getTime()}`,
      fromName: brokerage,
      to: { name: fullName(user), address: user.email },
      subject: 'Your email is connected',
      text: `Hi ${user.firstName},\n\nThis is a test from Urraca. Email for ${brokerage} now goes out from ${route.from}.\n`,
      at,
    }),
  );
  await saveMailCheck(accountId, changedAt, answer.result === 'accepted' ? null : answer.error);
  if (answer.result === 'accepted') await releaseConnected(accountId, at);
}
