/** Files that go out. */
import { createExport, listExports } from '@/server/exports';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listExports, async ({ principal, query }) => ({
  items: await listExports(principal, query.limit),
}));
export const POST = route(OPERATIONS.createExport, async ({ principal, body }) =>
  created(await createExport(principal, body.format, body.selection, body.options, body.email)),
);
