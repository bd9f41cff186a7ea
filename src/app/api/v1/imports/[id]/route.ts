/** One import. */
import { findImport, updateImport } from '@/server/imports';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getImport, ({ principal, params }) => findImport(principal, params.id));
export const PATCH = route(OPERATIONS.updateImport, ({ principal, params, body }) => updateImport(principal, params.id, body));
