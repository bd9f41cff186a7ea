/** One export. */
import { findExport } from '@/server/exports';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getExport, ({ principal, params }) => findExport(principal, params.id));
