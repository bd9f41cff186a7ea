/** Texts. A carrier takes a text with its key and takes a repeated key for the same text. Another carrier is another function of this type. */
import type { ProviderAnswer } from '@/core/messages';
import { handOver, handOverTogether, type HttpService } from '../shared';

export interface OutgoingText {
  key: string;
  from: string;
  to: string;
  body: string;
}
export interface SmsProvider {
  send(text: OutgoingText): Promise<ProviderAnswer>;
  /** Texts that go at the same time, with as few requests as the carrier allows. @returns what became of each, in their order */
  sendTogether(texts: readonly OutgoingText[]): Promise<ProviderAnswer[]>;
}

/**
 * A carrier with a plain JSON interface, such as the one of the simulator: `POST {url}/texts` takes a text, or an array of them and answers an
 * array. From a carrier that takes one at a time each is asked for.
 */
export function httpCarrier(service: HttpService | null): SmsProvider {
  const send = (text: OutgoingText) => handOver(service, '/texts', text, { 'idempotency-key': text.key });
  return {
    send,
    sendTogether: async (texts) => (await handOverTogether(service, '/texts', texts)) ?? Promise.all(texts.map(send)),
  };
}
