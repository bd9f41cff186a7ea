/** Market. */
import type { Metadata } from 'next';
import { runsTheOffice } from '@/core/accounts';
import { requireUser } from '@/app/_http/page';
import { MarketArea } from '@/ui/market';

export const metadata: Metadata = { title: 'Market' };

export default async function Page() {
  const { user } = await requireUser('market');
  return <MarketArea office={runsTheOffice(user.role)} />;
}
