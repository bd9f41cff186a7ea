/** Bringing files in. */
import { createImport, listImports } from '@/server/imports';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listImports, async ({ principal, query }) => ({
  items: await listImports(principal, query.limit),
}));
export const POST = route(OPERATIONS.createImport, async ({ principal, query, request }) =>
  created(await createImport(principal, query.name, request.body)),
);
