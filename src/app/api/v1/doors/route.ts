/** The doors. */
import { listDoors } from '@/server/capture';
import { now } from '@/server/shared';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listDoors!, async ({ scope }) => ({ items: await listDoors(scope, await now()) }));
