/** Rosters. */
import { createRoster } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const POST = route(OPERATIONS.createRoster, async ({ principal, body }) => created(await createRoster(principal, body)));
