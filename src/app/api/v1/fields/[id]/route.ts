/** One field. */
import { deleteField } from '@/server/changes';
import { updateField } from '@/server/vocabulary';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const PATCH = route(OPERATIONS.updateField, ({ principal, params, body }) => updateField(principal, params.id, body));
export const DELETE = route(OPERATIONS.deleteField, ({ principal, params }) => deleteField(principal, params.id));
