/** A body of any shape that comes to a door for programs: read, taken in or tried out, answered, and noted with its answer. */
import { captureInquiry, noteRequest, tryInquiry, type Door } from '@/server/capture';
import { readApart } from '@/server/shared';
import { problem } from './problem';
import { readText } from './route';

const MOST_BYTES = 256_000;

/** Never throws: what is wrong is answered as a problem. */
export async function throughDoor(
  door: Door,
  request: Request,
  { sandbox, idempotencyKey }: { sandbox: boolean; idempotencyKey: string | null },
): Promise<Response> {
  const began = performance.now();
  const contentType = request.headers.get('content-type') ?? '';
  const tried = sandbox || door.sandbox;
  let text = '';
  let answer: Response;
  let body: unknown;
  try {
    text = await readText(request, MOST_BYTES);
    const { mapping, source, defaults } = door;
    const { raw, inquiry } = await readApart('body', {
      text,
      contentType,
      mapping,
      door: { source, defaults },
    });
    const arrival = { door, raw, inquiry, idempotencyKey, byPerson: null };
    body = tried ? await tryInquiry(arrival) : await captureInquiry(arrival);
    answer = Response.json(body, { status: tried ? 200 : 201, headers: { 'cache-control': 'no-store' } });
  } catch (error) {
    answer = problem(error);
    body = await answer.clone().json();
  }
  noteRequest({
    door,
    contentType,
    body: text,
    status: answer.status,
    answer: body,
    sandbox: tried,
    tookMs: performance.now() - began,
  });
  return answer;
}
