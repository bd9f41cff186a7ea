/** One public page. */
import { deletePage, readPage, updatePage } from '@/server/pages';
import { OPERATIONS } from '@/app/_http/operations';
import { done, route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getPage, ({ principal, params }) => readPage(principal, params.id));
export const PATCH = route(OPERATIONS.updatePage, ({ principal, params, body }) => updatePage(principal, params.id, body));
export const DELETE = route(OPERATIONS.deletePage, async ({ principal, params }) => {
  await deletePage(principal, params.id);
  return done();
});
