/** Leads come in here, by key or typed in by somebody who is logged in; and the stream of Intake. */
import { AppError } from '@/core/shared';
import { readInquiry } from '@/core/capture/schemas';
import { captureByHand, doorOfKey, doorOfKind, listInquiries, tryByHand } from '@/server/capture';
import { throughDoor } from '@/app/_http/door';
import { OPERATIONS } from '@/app/_http/operations';
import { created, listed, readText, route } from '@/app/_http/route';

const MOST_BYTES = 1_000_000;

export const GET = route(OPERATIONS.listInquiries, async ({ request, scope, query }) =>
  listed(request, await listInquiries(scope, query.limit, query.cursor)),
);

export const POST = route(OPERATIONS.createInquiry, async ({ request, principal, scope, query, idempotencyKey }) => {
  const key = idempotencyKey;
  if (principal.kind === 'key') {
    const door = principal.doorId ? await doorOfKey(scope.accountId, principal.doorId) : await doorOfKind(scope.accountId, 'api');
    return throughDoor(door, request, { sandbox: query.sandbox === true, idempotencyKey: key });
  }
  const body = objectOf(await readText(request, MOST_BYTES));
  const door = await doorOfKind(scope.accountId, 'hand');
  const arrival = { door, raw: body, inquiry: readInquiry(body), idempotencyKey: key, byPerson: principal.user };
  return query.sandbox === true ? tryByHand(arrival) : created(await captureByHand(arrival));
});

function objectOf(text: string): object {
  let body: unknown;
  try {
    body = JSON.parse(text || '{}');
  } catch {
    throw new AppError('input_unreadable', 'The body isn’t JSON. Nothing was saved.');
  }
  if (typeof body === 'object' && body !== null) return body;
  throw new AppError('input_invalid', 'An inquiry is an object.', {
    fields: [{ field: '(body)', message: 'must be an object' }],
  });
}
