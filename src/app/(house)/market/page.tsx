/** Market. */
import type { Metadata } from 'next';
import { runsTheOffice } from '@/core/accounts';
import { requirePerson } from '@/app/_http/page';
import { MarketArea } from '@/ui/market';

export const metadata: Metadata = { title: 'Market' };

export default async function Page() {
  const { person } = await requirePerson('market');
  return <MarketArea office={runsTheOffice(person.role)} />;
}
