/** What one can ask for on the market. */
import { marketNames } from '@/server/market';
import { OPERATIONS } from '@/app/_http/operations';
import { route } from '@/app/_http/route';

export const GET = route(OPERATIONS.getMarket, ({ scope }) => marketNames(scope.accountId));
