/** One call. */
import { findCall, updateCall } from '@/server/calling';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getCall, ({ scope, params }) => findCall(scope, params.id));

export const PATCH = route(OPERATIONS.updateCall, ({ principal, params, body }) => updateCall(principal, params.id, body));
