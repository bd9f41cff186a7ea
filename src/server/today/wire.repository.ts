/** The numbers on the Wire, each the one that matters in its area now, as far as the scope sees. */
import type { WireFrame, WireView } from '@/core/today';
import { DAY, localDay } from '@/core/shared';
import { monthDays } from '@/core/segments';
import { share } from '@/core/results';
import type { User, Scope } from '@/core/accounts';
import { visible } from '../contacts';
import { UNTRIED } from '../routing';
import { countOnMarket } from '../market';
import { clockState, cacheWhenSlow, config, LARGE_COUNTS, reader } from '../shared';
import { countToday } from './today.service';

/** Leads that nobody has accepted yet: to those who see all, every one; to an agent those offered to them. */
const offeredCount = (scope: Scope, bind: unknown[]): string =>
  scope.sees === 'own'
    ? `(select count(*)::int from offers f where f.user_id = $${bind.push(scope.userId)} and f.state = 'open')`
    : `(select count(*)::int from routings r join contacts c on c.id = r.contact_id where r.state in ('offered','commons') and ${visible(scope, bind)})`;

const MONTH_MS = 30 * DAY;

export const readWireFrame = async (): Promise<WireFrame> => ({
  clock: await clockState(),
  calling: config().services.voice !== null,
});

/** The numbers as they are; in accounts so large that counting them takes over half a second, as they were within the last ten. */
export async function readWire(scope: Scope, user: User): Promise<WireView> {
  const frame = await readWireFrame();
  const day = localDay(frame.clock.now, user.timeZone).start.toISOString();
  const numbers = await cacheWhenSlow(`wire ${user.id} ${day}`, LARGE_COUNTS, () => countWire(scope, user, frame.clock.now));
  return { ...numbers, ...frame };
}

async function countWire(scope: Scope, user: User, now: Date): Promise<Omit<WireView, keyof WireFrame>> {
  const day = localDay(now, user.timeZone);
  const counted = async <Row extends object>(sql: (where: string, bind: unknown[]) => string): Promise<Row> => {
    const bind: unknown[] = [];
    return (await reader().first<Row>(sql(visible(scope, bind), bind), bind))!;
  };
  const monthStart = new Date(now.getTime() - MONTH_MS);
  const [small, contacts, month, today, market] = await Promise.all([
    counted<{ intake: number; inbox: number; routing: number; campaigns: number }>(
      (where, bind) => `select
       (select count(*)::int from inquiries i join contacts c on c.id = i.contact_id where i.account_id = c.account_id and i.arrived_at >= $${bind.push(day.start)} and ${where}) as intake,
       (select count(*)::int from contacts c where ${where} and c.unread_at is not null) as inbox,
       (select count(*)::int from offers o join contacts c on c.id = o.contact_id where ${UNTRIED} and ${where}) + ${offeredCount(scope, bind)} as routing,
       (select count(*)::int from enrollments e join contacts c on c.id = e.contact_id where e.state in ('active','paused') and ${where}) as campaigns`,
    ),
    counted<{ n: number }>((where) => `select count(*)::int as n from contacts c where ${where} and c.stage <> 'archived'`),
    /* As Results counts them: called since they came in. */
    counted<{ leads: number; tried: number }>(
      (where, bind) => `select count(*)::int as leads, count(*) filter (where m.tried)::int as tried from (
         select i.contact_id, bool_or(f.last_attempt_at >= i.arrived_at) as tried
         from inquiries i join contacts c on c.id = i.contact_id join contact_facts f on f.contact_id = c.id
         where i.account_id = c.account_id and i.arrived_at >= $${bind.push(monthStart)} and ${where} group by i.contact_id) m`,
    ),
    countToday(scope, day, monthDays(now, user.timeZone, 0)),
    countOnMarket(scope.accountId),
  ]);
  return {
    today,
    intake: small.intake,
    inbox: small.inbox,
    contacts: contacts.n,
    routing: small.routing,
    campaigns: small.campaigns,
    market,
    results: share(month.tried, month.leads),
  };
}
