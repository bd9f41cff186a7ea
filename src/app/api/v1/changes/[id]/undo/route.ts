/** Taking a change back. */
import { undoChange } from '@/server/changes';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.undoChange, ({ principal, params }) => undoChange(principal, params.id));
