/** A new address for a lead mailbox or a door for programs. */
import { rotateDoor } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.rotateDoor, ({ principal, params }) => rotateDoor(principal, params.id));
