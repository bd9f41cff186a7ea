/** Campaigns. */
import type { Metadata } from 'next';
import { jsoned, requirePerson } from '@/app/_http/page';
import { listCampaigns } from '@/server/campaigns';
import { CampaignsArea } from '@/ui/campaigns';

export const metadata: Metadata = { title: 'Campaigns' };

export default async function Page() {
  const { scope } = await requirePerson('campaigns');
  return <CampaignsArea first={jsoned(await listCampaigns(scope))} />;
}
