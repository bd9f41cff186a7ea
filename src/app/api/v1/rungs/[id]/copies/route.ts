/** A rung is copied for other lead sources. */
import { copyRungToSources } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.copyRungToSources, ({ principal, params, body }) =>
  copyRungToSources(principal, params.id, body.source_ids),
);
