/** The letters of a broadcast as one file, or their labels. */
import { orderPrint, readPrint } from '@/server/broadcasts';
import { Download, OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.orderPrint, async ({ principal, params, body }) => {
  await orderPrint(principal, params.id, body.what);
  return { status: 202, body: {} };
});

export const GET = route(OPERATIONS.readPrint, async ({ principal, params, query }) => {
  const file = await readPrint(principal, params.id, query.what);
  return file
    ? new Download(file.name, 'application/pdf', new Blob([new Uint8Array(file.bytes)]).stream())
    : { status: 202, body: {} };
});
