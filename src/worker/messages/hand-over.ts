/** Handing claimed outbox rows to their providers, those of a channel together or one by one, and writing down what came of it. */
import { CHANNEL_KEYS, type Channel } from '@/core/contacts';
import type { ProviderAnswer } from '@/core/messages';
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

type Hand = (messages: OutboxMessage[], outside: Providers) => Promise<ProviderAnswer[]>;
const oneByOne =
  (hand: (message: OutboxMessage, outside: Providers) => Promise<ProviderAnswer>): Hand =>
  (messages, outside) =>
    Promise.all(messages.map((message) => hand(message, outside)));

/** How the messages of each channel go, so many together: a provider in trouble holds up no more of them. */
export const HANDS: Record<Channel, { together: number; hand: Hand }> = {
  call: { together: 1, hand: oneByOne(placeCall) },
  text: { together: 25, hand: sendTexts },
  email: { together: 1, hand: oneByOne(sendMail) },
  letter: { together: 1, hand: oneByOne(sendLetter) },
};

/** A call is not tried again by itself: whoever placed it is told. */
async function placeCall({ key, agent, to, callId }: OutboxMessage, { voice }: Providers): Promise<ProviderAnswer> {
  const answer = await voice.place({ key, from: agent.phone ?? '', to }).catch(failed);
  if (answer.result === 'accepted') return answer;
  await failCall(callId!, answer.error);
  return { result: 'refused', error: answer.error };
}

function sendTexts(texts: OutboxMessage[], { sms }: Providers): Promise<ProviderAnswer[]> {
  return sms.sendTogether(texts.map(({ key, agent, to, text }) => ({ key, from: agent.phone ?? '', to, body: text })));
}

async function sendMail(message: OutboxMessage, { mail }: Providers): Promise<ProviderAnswer> {
  const { key, text, contact, agent, brokerage } = message;
  const { publicUrl, mailDomain, receivesMail } = config();
  const unsubscribeUrl = message.pointId ? `${publicUrl}/u/${unsubscribeToken(message.pointId)}` : null;
  const files = message.files.length ? await readFiles(contact.accountId, message.files) : [];
  return mail.send({
    accountId: contact.accountId,
    key,
    fromName: `${agent.name}, ${brokerage}`,
    to: { name: contact.name, address: message.to },
    replyTo: receivesMail
      ? message.pointId
        ? `reply+${mailTokenFor(message.pointId)}@${mailDomain}`
        : `agents@${mailDomain}`
      : agent.email,
    subject: message.subject ?? '',
    text,
    html: await htmlOf(message, unsubscribeUrl),
    unsubscribeUrl,
    postalAddress: message.postalAddress ? `${brokerage}, ${message.postalAddress}` : null,
    at: message.at,
    attachments: files.map(({ name, type, bytes }) => ({ name, type, content: bytes })),
  });
}

async function sendLetter(message: OutboxMessage, { post }: Providers): Promise<ProviderAnswer> {
  if (message.printedHere) return { result: 'accepted', receipt: 'printed here' };
  const { key, to, text, contact, agent, brokerage, at, timeZone } = message;
  const pdf = await renderLetter({ brokerage, agent: agent.name, name: contact.name, address: to, text, at, timeZone });
  return post.send({ key, from: brokerage, to, name: contact.name, subject: message.subject ?? '', text, pdf });
}

const failed = (error: unknown): Extract<ProviderAnswer, { error: string }> => ({
  result: 'later',
  error: error instanceof Error ? error.message : 'failed',
});

const inParts = <T>(all: T[], size: number): T[][] =>
  Array.from({ length: Math.ceil(all.length / size) }, (_, n) => all.slice(n * size, (n + 1) * size));

/** Claims a batch and hands it over. @returns how many rows were claimed, also those held back */
export async function performOutbox(processId: string, outside: Providers): Promise<number> {
  const { messages, claimed } = await claimOutbox(processId, BATCH);
  const handings = CHANNEL_KEYS.flatMap((channel) => {
    const { together, hand } = HANDS[channel];
    return inParts(
      messages.filter((message) => message.channel === channel),
      together,
    ).map((some) => async (): Promise<HandOver[]> => {
      const answers = await hand(some, outside).catch((error: unknown) => some.map(() => failed(error)));
      return some.map(({ id }, n) => ({ id, ...answers[n]! }));
    });
  });
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
