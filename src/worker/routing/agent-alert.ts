/** Handing word to an agent to its provider. Its key goes with every attempt, so the agent is told once. */
import type { Notify } from '@/core/routing';
import { saveAlertOutcome, findAgentAlert, type AgentAlert } from '@/server/routing';
import { config } from '@/server/shared';
import type { ProviderAnswer } from '@/core/messages';
import { officeMailbox, sendOfficeMail } from '../shared/office-mail';
import type { Providers } from '../shared/providers';

export async function tellAgent(noticeId: string, outside: Providers): Promise<void> {
  const notice = await findAgentAlert(noticeId);
  if (!notice) return;
  const answer = await handOver(notice, outside);
  await saveAlertOutcome(noticeId, answer.result === 'accepted' ? null : (answer.error ?? 'refused'));
  if (answer.result === 'later') throw new Error(answer.error ?? 'tried again by the queue');
}

function handOver(notice: AgentAlert, outside: Providers): Promise<ProviderAnswer> {
  return HANDS[notice.channel](notice, `notice-${notice.id}`, outside);
}

type Hand = (notice: AgentAlert, key: string, outside: Providers) => Promise<ProviderAnswer>;
const HANDS: Record<Notify, Hand> = {
  email: (notice, key, outside) =>
    sendOfficeMail(outside, {
      accountId: notice.account_id,
      key,
      fromName: notice.brokerage,
      to: { name: notice.agent, address: notice.email },
      replyTo: notice.reply_to ?? officeMailbox(),
      subject: notice.subject,
      text: `${notice.body}\n\n${config().publicUrl}/routing\n`,
      at: notice.made_at,
    }),
  text: (notice, key, { sms }) => byPhone(notice, (numbers) => sms.send({ key, ...numbers, body: notice.body })),
  call: (notice, key, { voice }) => byPhone(notice, (numbers) => voice.place({ key, ...numbers, say: notice.body })),
};

async function byPhone(
  { phone, house_phone }: AgentAlert,
  hand: (numbers: { from: string; to: string }) => Promise<ProviderAnswer>,
): Promise<ProviderAnswer> {
  if (!phone || !house_phone) return { result: 'refused', error: 'no phone number is known' };
  return hand({ from: house_phone, to: phone });
}
