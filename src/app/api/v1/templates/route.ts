/** Templates. */
import { createTemplate, listTemplates } from '@/server/templates';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listTemplates, async ({ scope }) => ({ items: await listTemplates(scope) }));

export const POST = route(OPERATIONS.createTemplate, async ({ principal, body }) =>
  created(await createTemplate(principal, body)),
);
