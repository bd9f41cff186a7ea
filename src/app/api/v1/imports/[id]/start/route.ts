/** Taking the people of a file in. */
import { startImport } from '@/server/imports';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.startImport, ({ principal, params }) => startImport(principal, params.id));
