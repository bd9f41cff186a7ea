/** Segments. */
import { createSegment, listSegments } from '@/server/segments';
import { OPERATIONS } from '@/app/_http/operations';
import { created, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.listSegments, async ({ scope }) => ({ items: await listSegments(scope) }));
export const POST = route(OPERATIONS.createSegment, async ({ principal, body }) => created(await createSegment(principal, body)));
