/** Leads come in here, by key or typed in by somebody who is logged in; and the stream of Intake. */
import { AppError } from '@/core/shared';
import { readInquiry } from '@/core/capture/schemas';
import { captureInquiry, doorOfKind, listInquiries } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { created, listed, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listInquiries!, async ({ request, scope, query }) =>
  listed(request, await listInquiries(scope, query.limit, query.cursor)),
);

export const POST = route(OPERATIONS.createInquiry!, async ({ principal, scope, body, idempotencyKey }) => {
  if (typeof body !== 'object' || body === null)
    throw new AppError('input_invalid', 'An inquiry is an object.', {
      fields: [{ field: '(body)', message: 'must be an object' }],
    });
  const byPerson = principal.kind === 'person' ? principal.person : null;
  const door = await doorOfKind(scope.accountId, byPerson ? 'hand' : 'api');
  return created(
    await captureInquiry({
      door,
      raw: body,
      inquiry: readInquiry(body),
      idempotencyKey: idempotencyKey as string | null,
      byPerson,
    }),
  );
});
