/** The public pages. */
import { createPage, listPages } from '@/server/pages';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listPages, async ({ principal }) => ({ items: await listPages(principal) }));
export const POST = route(OPERATIONS.createPage, async ({ principal, body }) => created(await createPage(principal, body)));
