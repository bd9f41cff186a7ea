/** A new address for a lead mailbox. */
import { rotateMailbox } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.rotateDoor!, ({ principal, params }) => rotateMailbox(principal, params.id!));
