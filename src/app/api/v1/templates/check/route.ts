/** Checking words while they are written. */
import { checkTemplate } from '@/server/templates';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.checkTemplate, ({ principal, body }) => checkTemplate(principal, body));
