/** One door. */
import { updateDoor } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const PATCH = route(OPERATIONS.updateDoor, ({ principal, params, body }) => updateDoor(principal, params.id, body));
