/** Routing. */
import type { Metadata } from 'next';
import { runsTheOffice } from '@/core/accounts';
import { jsoned, requireUser } from '@/app/_http/page';
import { listWaitingOffers, readLadder } from '@/server/routing';
import { RoutingArea } from '@/ui/routing';

export const metadata: Metadata = { title: 'Routing' };

export default async function Page() {
  const { user, scope } = await requireUser('routing');
  const [ladder, offers] = await Promise.all([readLadder(scope), listWaitingOffers(scope)]);
  return <RoutingArea ladder={jsoned(ladder)} offers={jsoned(offers)} mayManage={runsTheOffice(user.role)} />;
}
