/** Stopping an import. */
import { cancelImport } from '@/server/imports';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.cancelImport, ({ principal, params }) => cancelImport(principal, params.id));
