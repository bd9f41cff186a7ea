/** One change of many. */
import { findChange } from '@/server/changes';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getChange, ({ principal, params }) => findChange(principal, params.id));
