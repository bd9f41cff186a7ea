/** Teams. */
import { createTeam, listTeams } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listTeams, async ({ scope }) => ({ items: await listTeams(scope.accountId) }));

export const POST = route(OPERATIONS.createTeam, async ({ principal, body }) => created(await createTeam(principal, body)));
