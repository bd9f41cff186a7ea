/** What a change of many would do. */
import { previewChange } from '@/server/changes';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const POST = route(OPERATIONS.previewChange, ({ principal, body }) => previewChange(principal, body));
