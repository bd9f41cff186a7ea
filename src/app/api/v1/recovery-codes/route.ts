/** New recovery codes. */
import { renewRecoveryCodes } from '@/server/accounts';
import { OPERATIONS } from '@/app/_http/operations';
import { route, userOf } from '@/app/_http/route';

export const POST = route(OPERATIONS.renewRecoveryCodes, ({ principal }) => renewRecoveryCodes(userOf(principal)));
