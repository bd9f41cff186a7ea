/** The way of an inquiry. */
import { readTrace } from '@/server/routing';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getTrace, ({ scope, params }) => readTrace(scope, params.id));
