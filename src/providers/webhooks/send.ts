/**
 * Sending webhooks, signed as in the Standard Webhooks specification. An address of this machine or of the network it stands in is none that
 * somebody from outside may name (OWASP: server-side request forgery); what a name leads to is looked at when it is connected to.
 */
import { lookup, type LookupAddress, type LookupOptions } from 'node:dns';
import { isIP } from 'node:net';
import ipaddr from 'ipaddr.js';
import { Webhook } from 'standardwebhooks';
import { Agent, request } from 'undici';

const TIMEOUT_MS = 15_000;
/** Of an answer so much is kept. */
const MOST_ANSWER = 2_000;
const PRIVATE = 'This address is on a private network, which webhooks may not call.';

export interface WebhookMessage {
  url: string;
  secret: string;
  /** The same at every try, by which a receiver knows a repeat. */
  id: string;
  payload: string;
}
export interface WebhookAnswer {
  ok: boolean;
  status: number | null;
  error: string | null;
  answer: string | null;
  tookMs: number;
}

/** Whether anybody on the internet may be reached there. */
export const isPublic = (address: string): boolean => ipaddr.process(address).range() === 'unicast';

type Looked = (error: NodeJS.ErrnoException | null, address: string | LookupAddress[], family?: number) => void;
function publicLookup(host: string, options: LookupOptions, done: Looked): void {
  lookup(host, { ...options, all: true }, (error, found) => {
    if (error) return done(error, []);
    if (!found.every(({ address }) => isPublic(address))) return done(new Error(PRIVATE), []);
    if (options.all) return done(null, found);
    done(null, found[0]!.address, found[0]!.family);
  });
}
const outward = new Agent({ connect: { lookup: publicLookup, timeout: TIMEOUT_MS } });
const anywhere = new Agent({ connect: { timeout: TIMEOUT_MS } });

/**
 * Sends one. Never throws: whatever does not come back with 2xx is told in the answer; a redirect is none that is followed.
 * @param mayBePrivate the installation allows addresses of its own network
 */
export async function sendWebhook({ url, secret, id, payload }: WebhookMessage, mayBePrivate: boolean): Promise<WebhookAnswer> {
  const begun = performance.now();
  const none = (error: string): WebhookAnswer => ({
    ok: false,
    status: null,
    error,
    answer: null,
    tookMs: performance.now() - begun,
  });
  const host = new URL(url).hostname.replace(/^\[|\]$/g, '');
  if (!mayBePrivate && isIP(host) && !isPublic(host)) return none(PRIVATE);
  const at = new Date();
  try {
    const { statusCode, body } = await request(url, {
      method: 'POST',
      dispatcher: mayBePrivate ? anywhere : outward,
      headersTimeout: TIMEOUT_MS,
      bodyTimeout: TIMEOUT_MS,
      signal: AbortSignal.timeout(TIMEOUT_MS),
      headers: {
        'content-type': 'application/json',
        'user-agent': 'Urraca-Webhooks',
        'webhook-id': id,
        'webhook-timestamp': String(Math.floor(at.getTime() / 1000)),
        'webhook-signature': new Webhook(secret).sign(id, at, payload),
      },
      body: payload,
    });
    const answer = await beginningOf(body);
    const ok = statusCode >= 200 && statusCode < 300;
    const tookMs = performance.now() - begun;
    return { ok, status: statusCode, error: ok ? null : `It answered ${statusCode}.`, answer, tookMs };
  } catch (error) {
    return none(wordsOf(error));
  }
}

async function beginningOf(body: AsyncIterable<Buffer>): Promise<string> {
  const parts: Buffer[] = [];
  let size = 0;
  for await (const part of body) {
    parts.push(part);
    size += part.length;
    if (size >= MOST_ANSWER) break;
  }
  return Buffer.concat(parts).toString('utf8').slice(0, MOST_ANSWER).replaceAll('\0', '');
}

function wordsOf(error: unknown): string {
  const { code, name, message } = error as { code?: string; name?: string; message?: string };
  if (message === PRIVATE) return PRIVATE;
  if (name === 'TimeoutError' || code?.includes('TIMEOUT')) return 'It didn’t answer within 15 seconds.';
  if (code === 'ENOTFOUND') return 'There is no such host.';
  if (code === 'ECONNREFUSED') return 'Nobody listens there.';
  return `It couldn’t be reached (${code ?? message ?? 'no reason given'}).`.slice(0, 300);
}
