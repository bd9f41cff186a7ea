/** The doors; lead mailboxes and doors for programs are made here. */
import { createDoor, listDoors } from '@/server/capture';
import { now } from '@/server/shared';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listDoors, async ({ scope }) => ({ items: await listDoors(scope, await now()) }));
export const POST = route(OPERATIONS.createDoor, async ({ principal, body }) => created(await createDoor(principal, body)));
