/**
 * Handing something to an outside service over HTTP, with a deadline, and reading its answer in the words of the outbox. With Node's own client
 * and connections that stay open: `fetch` takes three times the processor, and a broadcast is a hundred thousand of these.
 */
import { Agent as PlainAgent, request as plainRequest } from 'node:http';
import { Agent as SecureAgent, request as secureRequest } from 'node:https';
import type { ProviderAnswer } from '@/core/messages';

const DEADLINE_MS = 10_000;
const OPEN = { keepAlive: true, maxSockets: 64 };
const plain = new PlainAgent(OPEN);
const secure = new SecureAgent(OPEN);

/** Posts JSON. Client errors other than 408, 409, 425 and 429 mean never; everything else that is not a success means later. */
export async function handOver(url: string, body: object, headers: Record<string, string> = {}): Promise<ProviderAnswer> {
  try {
    const { status, text } = await post(url, JSON.stringify(body), headers);
    const answer = spoken(text);
    if (status >= 200 && status < 300) return { result: 'accepted', receipt: answer.receipt ?? null };
    const fault = answer.detail ?? `answered ${status}`;
    const never = status >= 400 && status < 500 && ![408, 409, 425, 429].includes(status);
    return { result: never ? 'refused' : 'later', fault };
  } catch (error) {
    const late = (error as { name?: unknown } | null)?.name === 'TimeoutError';
    return { result: 'later', fault: late ? 'did not answer in time' : 'could not be reached' };
  }
}

interface Answer {
  status: number;
  text: string;
}

async function post(url: string, body: string, headers: Record<string, string>): Promise<Answer> {
  const deadline = AbortSignal.timeout(DEADLINE_MS);
  try {
    return await postOnce(url, body, headers, deadline);
  } catch (error) {
    /* A connection that the other side closed while it lay idle took nothing with it; what is posted is known by its key in any case. */
    if (error instanceof ClosedMeanwhile) return postOnce(url, body, headers, deadline);
    throw error;
  }
}

class ClosedMeanwhile extends Error {}

function postOnce(url: string, body: string, headers: Record<string, string>, deadline: AbortSignal): Promise<Answer> {
  const [request, agent] = url.startsWith('https:') ? [secureRequest, secure] : [plainRequest, plain];
  return new Promise((answered, failed) => {
    /* What ends it by the deadline is the abort, which says nothing of the time; the signal's own reason does. */
    const end = (error: NodeJS.ErrnoException) => {
      if (deadline.aborted) failed(deadline.reason);
      else failed(asked.reusedSocket && error.code === 'ECONNRESET' ? new ClosedMeanwhile() : error);
    };
    const asked = request(
      url,
      {
        agent,
        method: 'POST',
        headers: { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body), ...headers },
        signal: deadline,
      },
      (response) => {
        let text = '';
        response.setEncoding('utf8');
        response.on('data', (part: string) => (text += part));
        response.on('end', () => answered({ status: response.statusCode ?? 0, text }));
        response.on('error', end);
      },
    );
    asked.on('error', end);
    asked.end(body);
  });
}

/** The answer as an object; nothing for what is not JSON. */
function spoken(text: string): { receipt?: string; detail?: string } {
  try {
    const answer: unknown = JSON.parse(text);
    return typeof answer === 'object' && answer !== null ? answer : {};
  } catch {
    return {};
  }
}
