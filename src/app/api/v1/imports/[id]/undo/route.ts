/** Taking an import back. */
import { undoImport } from '@/server/imports';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.undoImport, ({ principal, params }) => undoImport(principal, params.id));
