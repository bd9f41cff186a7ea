/** What merge fields say of somebody. */
import { mergeFieldsOf } from '@/server/messages';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getMergeFields, ({ principal, params }) => mergeFieldsOf(principal, params.id));
