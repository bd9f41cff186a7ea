/** Whether a channel leads anywhere: what nobody has connected waits instead of being tried, and goes when it is connected. */
import type { Because, Channel } from '@/core/contacts';
import type { Verdict } from '@/core/campaigns';
import { DAY } from '@/core/shared';
import { mailRouteOf } from '../accounts';
import { config, reader } from '../shared';

/** What goes by itself and waited longer than that is out of season. */
const FRESH_DAYS = 3;

/** The channels that this installation has a way for, whatever an account has connected itself. */
export function connectedChannels(): Record<Channel, boolean> {
  const { services, smtpUrl } = config();
  return { call: services.voice !== null, text: services.sms !== null, email: smtpUrl !== null, letter: services.post !== null };
}

/** In SQL, whether the account `alias` has a mail server of its own that works. */
export const ownMailSql = (alias: string): string =>
  `exists (select 1 from mail_connections w where w.account_id = ${alias}.id and w.state = 'works')`;

/** Whether an account has a way for a channel. */
export async function isConnected(accountId: string, channel: Channel): Promise<boolean> {
  if (connectedChannels()[channel]) return true;
  return channel === 'email' && (await mailRouteOf(accountId)) !== null;
}

/** What becomes of a message over a channel that leads nowhere. */
export function withoutChannel(channel: Channel, automatic: boolean, waitsSince: Date, at: Date): Verdict {
  const because: Because = { why: 'not_connected', channel };
  if (automatic && at.getTime() - waitsSince.getTime() > FRESH_DAYS * DAY) return { go: false, because };
  return { go: 'later', at: new Date(at.getTime() + DAY), because };
}

/** What waited for a channel goes now that it is connected. @param accountId null for the channels that the installation has */
export async function releaseConnected(accountId: string | null, at: Date): Promise<void> {
  const here = Object.entries(connectedChannels()).flatMap(([channel, is]) => (is ? [channel] : []));
  await reader().run(
    `update outbox set due_at = $1 where state = 'waiting' and error = 'not_connected' and channel = any($2) and ($3::bigint is null or account_id = $3)`,
    [at, accountId === null ? here : ['email'], accountId],
  );
}
