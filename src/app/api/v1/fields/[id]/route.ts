/** One field. */
import { deleteField, updateField } from '@/server/vocabulary';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const PATCH = route(OPERATIONS.updateField!, ({ principal, params, body }) => updateField(principal, params.id!, body));
export const DELETE = route(OPERATIONS.deleteField!, async ({ principal, params }) => {
  await deleteField(principal, params.id!);
  return done();
});
