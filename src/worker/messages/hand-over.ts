/** Handing claimed outbox rows to their providers, texts together and the rest a few at a time, and writing down what came of it. */
import type { Channel } from '@/core/contacts';
import type { ProviderAnswer } from '@/core/messages';
import type { OutgoingText } from '@/providers/sms';
import { failCall } from '@/server/calling';
import {
  claimOutbox,
  completeOutbox,
  mailTokenFor,
  unsubscribeToken,
  type HandOver,
  type OutboxMessage,
} from '@/server/messages';
import { config, now } from '@/server/shared';
import type { Providers } from '../shared/providers';
import { readFiles } from '@/server/files';
import { renderLetter } from './letter';
import { htmlOf } from './mail-body';

const BATCH = 100;
const AT_ONCE = 12;
/** So many texts go in one request: a carrier in trouble holds up no more of them. */
const TEXTS_TOGETHER = 25;

type Text = OutboxMessage & { channel: 'text' };
type Other = OutboxMessage & { channel: Exclude<Channel, 'text'> };
const isText = (message: OutboxMessage): message is Text => message.channel === 'text';

const textOf = ({ key, agent, to, text }: Text): OutgoingText => ({ key, from: agent.phone ?? '', to, body: text });

async function handOver(message: Other, outside: Providers): Promise<ProviderAnswer> {
  const { key, text, contact, agent, brokerage } = message;
  switch (message.channel) {
    case 'call':
      return outside.voice.place({ key, from: agent.phone ?? '', to: message.to });
    case 'email': {
      const { publicUrl, mailDomain } = config();
      const unsubscribeUrl = message.pointId ? `${publicUrl}/u/${unsubscribeToken(message.pointId)}` : null;
      const files = message.files.length ? await readFiles(contact.accountId, message.files) : [];
      return outside.mail.send({
        key,
        fromName: `${agent.name}, ${brokerage}`,
        to: { name: contact.name, address: message.to },
        replyTo: message.pointId ? `reply+${mailTokenFor(message.pointId)}@${mailDomain}` : `agents@${mailDomain}`,
        subject: message.subject ?? '',
        text,
        html: await htmlOf(message, unsubscribeUrl),
        unsubscribeUrl,
        postalAddress: message.postalAddress ? `${brokerage}, ${message.postalAddress}` : null,
        at: message.at,
        attachments: files.map(({ name, type, bytes }) => ({ name, type, content: bytes })),
      });
    }
    case 'letter': {
      if (message.printedHere) return { result: 'accepted', receipt: 'printed here' };
      const pdf = await renderLetter({
        brokerage,
        agent: agent.name,
        name: contact.name,
        address: message.to,
        text,
        at: message.at,
        timeZone: message.timeZone,
      });
      return outside.post.send({
        key,
        from: brokerage,
        to: message.to,
        name: contact.name,
        subject: message.subject ?? '',
        text,
        pdf,
      });
    }
  }
}

const failed = (error: unknown): ProviderAnswer => ({
  result: 'later',
  fault: error instanceof Error ? error.message : 'failed',
});

async function attempt(message: Other, outside: Providers): Promise<HandOver> {
  const answer = await handOver(message, outside).catch(failed);
  if (message.channel !== 'call' || answer.result === 'accepted') return { id: message.id, ...answer };
  await failCall(message.callId!, answer.fault);
  return { id: message.id, result: 'refused', fault: answer.fault };
}

const together = (texts: Text[]): Text[][] =>
  Array.from({ length: Math.ceil(texts.length / TEXTS_TOGETHER) }, (_, n) =>
    texts.slice(n * TEXTS_TOGETHER, (n + 1) * TEXTS_TOGETHER),
  );

async function attemptTexts(texts: Text[], outside: Providers): Promise<HandOver[]> {
  const answers = await outside.sms.sendTogether(texts.map(textOf)).catch((error: unknown) => texts.map(() => failed(error)));
  return texts.map(({ id }, n) => ({ id, ...answers[n]! }));
}

/** Claims a batch and hands it over. @returns how many rows were claimed, also those held back */
export async function performOutbox(processId: string, outside: Providers): Promise<number> {
  const { messages, claimed } = await claimOutbox(processId, BATCH);
  const texts = messages.filter(isText);
  const others = messages.filter((message): message is Other => !isText(message));
  const handings = [
    ...together(texts).map((some) => () => attemptTexts(some, outside)),
    ...others.map((message) => async () => [await attempt(message, outside)]),
  ];
  const results: HandOver[] = [];
  let at = 0;
  const lane = async (): Promise<void> => {
    for (let hand = handings[at++]; hand; hand = handings[at++]) results.push(...(await hand()));
  };
  await Promise.all(Array.from({ length: AT_ONCE }, lane));
  const order = new Map(messages.map((message, place) => [message.id, place]));
  results.sort((a, b) => order.get(a.id)! - order.get(b.id)!);
  if (results.length) await completeOutbox(processId, results, messages[0]?.at ?? (await now()));
  return claimed;
}
