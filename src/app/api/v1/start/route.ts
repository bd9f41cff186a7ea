/** The first steps of a brokerage. */
import { readStart } from '@/server/founding';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getStart, ({ scope }) => readStart(scope));
