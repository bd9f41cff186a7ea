/** Exact counts, which may take a moment on a large database: kept for some seconds, and asked once however many wait for the same. */
import type { Scope } from '@/core/accounts';
import { countContacts, type ContactQuery } from '../contacts';

const KEPT_MS = 2_000;
const MOST_KEPT = 500;
const cache = new Map<string, { until: number; count: Promise<number> }>();

/** How many a query finds, not older than two seconds. */
export function exactCount(scope: Scope, query: Omit<ContactQuery, 'limit' | 'cursor'>): Promise<number> {
  const { accountId, sees, userId, officeId } = scope;
  const key = JSON.stringify([
    accountId,
    sees,
    userId,
    officeId,
    scope.sharedRosters,
    scope.team,
    query.q,
    query.segment?.tree,
    query.behind?.measure,
    query.behind?.agentId,
    query.behind?.doorId,
    query.behind?.rosterId,
    query.behind?.hour,
  ]);
  const known = cache.get(key);
  if (known && known.until > performance.now()) return known.count;
  if (cache.size >= MOST_KEPT) cache.clear();
  const count = countContacts(scope, query, null);
  count.catch(() => cache.delete(key));
  cache.set(key, { until: performance.now() + KEPT_MS, count });
  return count;
}
