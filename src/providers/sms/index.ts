/** Texts. A carrier takes a text with its key and takes a repeated key for the same text. Another carrier is another function of this type. */
import type { ProviderAnswer } from '@/core/messages';
import { handOver } from '../shared';

export interface SmsProvider {
  send(text: { key: string; from: string; to: string; body: string }): Promise<ProviderAnswer>;
}

/** A carrier with a plain JSON interface, such as the one of the simulator: `POST {url}/texts`. */
export const httpCarrier = (url: string): SmsProvider => ({
  send: (text) => handOver(`${url}/texts`, text, { 'idempotency-key': text.key }),
});
