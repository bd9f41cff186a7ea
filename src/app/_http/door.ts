/** A body of any shape that comes to a door for programs: read, taken in or tried out, answered, and noted with its answer. */
import { AppError } from '@/core/shared';
import { readInquiry } from '@/core/capture/schemas';
import { inquiryOfBody } from '@/core/mail';
import { captureInquiry, noteRequest, tryInquiry, type Door } from '@/server/capture';
import { problem } from './problem';
import { readText } from './route';

const MOST_BYTES = 1_000_000;

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
  let said: unknown;
  try {
    text = await readText(request, MOST_BYTES);
    const body = await bodyOf(text, contentType);
    const arrival = {
      door,
      raw: body,
      inquiry: readInquiry(inquiryOfBody(body, door.mapping, door)),
      idempotencyKey,
      byPerson: null,
    };
    said = tried ? await tryInquiry(arrival) : await captureInquiry(arrival);
    answer = Response.json(said, { status: tried ? 200 : 201, headers: { 'cache-control': 'no-store' } });
  } catch (error) {
    answer = problem(error);
    said = await answer.clone().json();
  }
  noteRequest({
    door,
    contentType,
    body: text,
    status: answer.status,
    answer: said,
    sandbox: tried,
    tookMs: performance.now() - began,
  });
  return answer;
}

/** @throws AppError input_unreadable */
async function bodyOf(text: string, contentType: string): Promise<unknown> {
  if (/^multipart\/form-data/i.test(contentType)) {
    const form = await new Response(text, { headers: { 'content-type': contentType } }).formData().catch(() => null);
    if (!form) throw unreadable();
    return grouped([...form.entries()].filter((entry): entry is [string, string] => typeof entry[1] === 'string'));
  }
  if (/urlencoded/i.test(contentType)) return grouped([...new URLSearchParams(text)]);
  try {
    const parsed: unknown = JSON.parse(text || '{}');
    if (typeof parsed !== 'object' || parsed === null) throw unreadable();
    return parsed;
  } catch {
    throw unreadable();
  }
}

const unreadable = () => new AppError('input_unreadable', 'The body is neither JSON nor a form. Nothing was kept.');

/** Fields of a form by name; a name that comes more than once has all its values. */
function grouped(entries: [string, string][]): Record<string, string | string[]> {
  const values = new Map<string, string[]>();
  for (const [name, value] of entries) values.set(name, [...(values.get(name) ?? []), value]);
  return Object.fromEntries([...values].map(([name, all]) => [name, all.length === 1 ? all[0]! : all]));
}
