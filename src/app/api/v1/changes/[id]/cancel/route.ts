/** Stopping a change under way. */
import { cancelChange } from '@/server/changes';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.cancelChange, ({ principal, params }) => cancelChange(principal, params.id));
