/** The numbers on the Wire, each the one that matters in its area now, as far as the scope sees. */
import type { WireFrame, WireView } from '@/core/today';
import { localDay } from '@/core/shared';
import { monthDays } from '@/core/segments';
import { share } from '@/core/results';
import type { User, Scope } from '@/core/accounts';
import { visible } from '../contacts';
import { UNTRIED } from '../routing';
import { countOnMarket } from '../market';
import { clockState, reader } from '../shared';
import { countToday } from './today.service';

/** Leads that nobody has accepted yet: to those who see all, every one; to an agent those offered to them. */
const offeredCount = (scope: Scope, bind: unknown[]): string =>
  scope.sees === 'own'
    ? `(select count(*)::int from offers f where f.user_id = $${bind.push(scope.userId)} and f.state = 'open')`
    : `(select count(*)::int from routings r join contacts c on c.id = r.contact_id where r.state in ('offered','commons') and ${visible(scope, bind)})`;

export const readWireFrame = async (): Promise<WireFrame> => ({
  clock: await clockState(),
  calling: Boolean(process.env.VOICE_URL ?? process.env.SIMULATOR_URL),
});

export async function readWire(scope: Scope, user: User): Promise<WireView> {
  const frame = await readWireFrame();
  const { clock } = frame;
  const day = localDay(clock.now, user.timeZone);
  const bind: unknown[] = [];
  const where = visible(scope, bind);
  bind.push(day.start, new Date(clock.now.getTime() - 30 * 86_400_000));
  const [dayStart, monthStart] = [`$${bind.length - 1}::timestamptz`, `$${bind.length}::timestamptz`];
  const row = await reader().first<{
    intake: number;
    inbox: number;
    contacts: number;
    routing: number;
    campaigns: number;
    leads: number;
    tried: number;
  }>(
    `select
       (select count(*)::int from inquiries i join contacts c on c.id = i.contact_id where i.account_id = c.account_id and i.arrived_at >= ${dayStart} and ${where}) as intake,
       (select count(*)::int from contacts c where ${where} and c.stage <> 'archived') as contacts,
       (select count(*)::int from contacts c where ${where} and c.unread_at is not null) as inbox,
       (select count(*)::int from offers o join contacts c on c.id = o.contact_id where ${UNTRIED} and ${where}) + ${offeredCount(scope, bind)} as routing,
       (select count(*)::int from enrollments e join contacts c on c.id = e.contact_id where e.state in ('active','paused') and ${where}) as campaigns,
       m.leads, m.tried
     from (select count(distinct i.contact_id)::int as leads, count(distinct i.contact_id) filter (where exists (select 1 from calls k where k.contact_id = i.contact_id and k.started_at >= i.arrived_at and k.outcome is not null))::int as tried
       from inquiries i join contacts c on c.id = i.contact_id where i.arrived_at >= ${monthStart} and ${where}) m`,
    bind,
  );
  return {
    today: await countToday(scope, day, monthDays(clock.now, user.timeZone, 0)),
    intake: row!.intake,
    inbox: row!.inbox,
    contacts: row!.contacts,
    routing: row!.routing,
    campaigns: row!.campaigns,
    market: await countOnMarket(scope.accountId),
    results: share(row!.tried, row!.leads),
    ...frame,
  };
}
