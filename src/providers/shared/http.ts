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

/** A service outside: where it is, and the Authorization header that it lets us in by. */
export interface HttpService {
  url: string;
  authorization: string | null;
}
/** What is handed to a service that nobody has connected waits. */
export const NOT_CONNECTED: ProviderAnswer = { result: 'later', error: 'isn’t connected yet' };

/** Posts JSON. Client errors other than 408, 409, 425 and 429 mean never; everything else that is not a success means later. */
export async function handOver(
  service: HttpService | null,
  path: string,
  body: object,
  headers: Record<string, string> = {},
): Promise<ProviderAnswer> {
  if (!service) return NOT_CONNECTED;
  try {
    const { status, text } = await post(service, path, JSON.stringify(body), headers);
    return answerOf(status, spoken(text));
  } catch (error) {
    return unanswered(error);
  }
}

/**
 * Posts several as one JSON array, to a service that answers an array in their order, `{status, receipt?, detail?}` of each as if it had come alone.
 * @returns null when the service does not take several at once: it refuses the array, or answers something else
 */
export async function handOverTogether(
  service: HttpService | null,
  path: string,
  bodies: readonly object[],
): Promise<ProviderAnswer[] | null> {
  if (!service) return bodies.map(() => NOT_CONNECTED);
  try {
    const { status, text } = await post(service, path, JSON.stringify(bodies), {});
    if (!succeeded(status)) {
      const answer = answerOf(status, spoken(text));
      return answer.result === 'refused' ? null : bodies.map(() => answer);
    }
    const answers = parsed(text);
    if (!Array.isArray(answers) || answers.length !== bodies.length) return null;
    return answers.map((answer: Spoken & { status?: number }) => answerOf(Number(answer?.status ?? 500), answer ?? {}));
  } catch (error) {
    const answer = unanswered(error);
    return bodies.map(() => answer);
  }
}

const succeeded = (status: number): boolean => status >= 200 && status < 300;

function answerOf(status: number, { receipt, detail }: Spoken): ProviderAnswer {
  if (succeeded(status)) return { result: 'accepted', receipt: receipt ?? null };
  const never = status >= 400 && status < 500 && ![408, 409, 425, 429].includes(status);
  return { result: never ? 'refused' : 'later', error: detail ?? `answered ${status}` };
}

function unanswered(error: unknown): ProviderAnswer {
  const late = (error as { name?: unknown } | null)?.name === 'TimeoutError';
  return { result: 'later', error: late ? 'did not answer in time' : 'could not be reached' };
}

interface Answer {
  status: number;
  text: string;
}

async function post(
  { url: base, authorization }: HttpService,
  path: string,
  body: string,
  given: Record<string, string>,
): Promise<Answer> {
  const url = `${base}${path}`;
  const headers = { ...given, ...(authorization && { authorization }) };
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
      if (deadline.aborted) failed(deadline.reason as Error);
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

interface Spoken {
  receipt?: string;
  detail?: string;
}

/** The answer as an object; nothing for what is not JSON. */
function spoken(text: string): Spoken {
  const answer = parsed(text);
  return typeof answer === 'object' && answer !== null ? answer : {};
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
