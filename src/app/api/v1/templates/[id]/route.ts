/** One template: read with what its variants brought, changed, taken away. */
import { deleteTemplate, findTemplate, listVariantResults, updateTemplate } from '@/server/templates';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getTemplate, async ({ scope, params }) => ({
  ...(await findTemplate(scope, params.id)),
  variants: await listVariantResults(scope, params.id),
}));

export const PATCH = route(OPERATIONS.updateTemplate, ({ principal, params, body }) =>
  updateTemplate(principal, params.id, body),
);

export const DELETE = route(OPERATIONS.deleteTemplate, async ({ principal, params }) => {
  await deleteTemplate(principal, params.id);
  return done();
});
