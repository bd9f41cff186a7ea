/** One inquiry. */
import { findInquiry } from '@/server/capture';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getInquiry, ({ scope, params }) => findInquiry(scope, params.id));
