/** Letters. A print-and-post house takes a PDF and an address. */
import type { ProviderAnswer } from '@/core/messages';
import { handOver, type HttpService } from '../shared';

export interface PostProvider {
  send(letter: {
    key: string;
    from: string;
    to: string;
    name: string;
    subject: string;
    text: string;
    pdf: Buffer;
  }): Promise<ProviderAnswer>;
}

/** A house with a plain JSON interface: `POST {url}/letters`, the page in base 64. */
export const httpPostHouse = (service: HttpService | null): PostProvider => ({
  send: ({ pdf, ...letter }) =>
    handOver(service, '/letters', { ...letter, pdf: pdf.toString('base64') }, { 'idempotency-key': letter.key }),
});
