/** Handing word to an agent to its provider. Its key goes with every attempt, so the agent is told once. */
import { saveAlertOutcome, findAgentAlert, type AgentAlert } from '@/server/routing';
import { config } from '@/server/shared';
import type { ProviderAnswer } from '@/core/messages';
import type { Providers } from '../shared/providers';

export async function tellAgent(noticeId: string, outside: Providers): Promise<void> {
  const notice = await findAgentAlert(noticeId);
  if (!notice) return;
  const answer = await handOver(notice, outside);
  await saveAlertOutcome(noticeId, answer.result === 'accepted' ? null : (answer.fault ?? 'refused'));
  if (answer.result === 'later') throw new Error(answer.fault ?? 'tried again by the queue');
}

async function handOver(notice: AgentAlert, outside: Providers): Promise<ProviderAnswer> {
  const key = `notice-${notice.id}`;
  if (notice.channel === 'email')
    return outside.mail.send({
      key,
      fromName: notice.brokerage,
      to: { name: notice.agent, address: notice.email },
      replyTo: notice.reply_to ?? `agents@${config().mailDomain}`,
      subject: notice.subject,
      text: `${notice.body}\n\n${config().publicUrl}/routing\n`,
      unsubscribeUrl: null,
      postalAddress: null,
      at: notice.made_at,
    });
  if (!notice.phone || !notice.house_phone) return { result: 'refused', fault: 'no phone number is known' };
  const call = { key, from: notice.house_phone, to: notice.phone };
  return notice.channel === 'text'
    ? outside.sms.send({ ...call, body: notice.body })
    : outside.voice.place({ ...call, say: notice.body });
}
