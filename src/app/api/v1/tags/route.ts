/** Tags. */
import { createTag, listTags } from '@/server/tags';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listTags, async ({ scope }) => ({ items: await listTags(scope) }));
export const POST = route(OPERATIONS.createTag, async ({ principal, body }) => created(await createTag(principal, body)));
