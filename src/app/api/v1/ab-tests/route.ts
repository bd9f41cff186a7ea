/** A/B tests between templates. */
import { createAbTest, listAbTests } from '@/server/templates';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listAbTests, async ({ scope }) => ({ items: await listAbTests(scope) }));

export const POST = route(OPERATIONS.createAbTest, async ({ principal, body }) => created(await createAbTest(principal, body)));
