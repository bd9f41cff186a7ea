/** The clock. */
import { clockState } from '@/server/shared';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getSimulation, () => clockState());
