/** Campaigns. */
import type { Metadata } from 'next';
import { jsoned, requireUser } from '@/app/_http/page';
import { runsTheOffice } from '@/core/accounts';
import { listCampaigns } from '@/server/campaigns';
import { CampaignsArea } from '@/ui/campaigns';

export const metadata: Metadata = { title: 'Campaigns' };

export default async function Page() {
  const { scope, user } = await requireUser('campaigns');
  return <CampaignsArea first={jsoned(await listCampaigns(scope))} office={runsTheOffice(user.role)} />;
}
