/** One tag. */
import { deleteTag } from '@/server/changes';
import { updateTag } from '@/server/tags';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const PATCH = route(OPERATIONS.updateTag, ({ principal, params, body }) => updateTag(principal, params.id, body));
export const DELETE = route(OPERATIONS.deleteTag, ({ principal, params, query }) =>
  deleteTag(principal, params.id, query.replace_by ?? null),
);
