/** Handing something to an outside service over HTTP, with a deadline, and reading its answer in the words of the outbox. */
import type { ProviderAnswer } from '@/core/messages';

const DEADLINE_MS = 10_000;

/** Posts JSON. Client errors other than 408, 409, 425 and 429 mean never; everything else that is not a success means later. */
export async function handOver(url: string, body: object, headers: Record<string, string> = {}): Promise<ProviderAnswer> {
  try {
    const response = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...headers },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(DEADLINE_MS),
    });
    const answer = (await response.json().catch(() => ({}))) as { receipt?: string; detail?: string };
    if (response.ok) return { result: 'accepted', receipt: answer.receipt ?? null };
    const fault = answer.detail ?? `answered ${response.status}`;
    const never = response.status >= 400 && response.status < 500 && ![408, 409, 425, 429].includes(response.status);
    return { result: never ? 'refused' : 'later', fault };
  } catch (error) {
    return {
      result: 'later',
      fault: error instanceof Error && error.name === 'TimeoutError' ? 'did not answer in time' : 'could not be reached',
    };
  }
}
