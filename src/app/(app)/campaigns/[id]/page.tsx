/** One campaign on its day ruler. */
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { findCampaign } from '@/server/campaigns';
import { jsoned, orNotFound, requireUser } from '@/app/_http/page';
import { CampaignEditor } from '@/ui/campaigns';

export const metadata: Metadata = { title: 'Campaign' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { scope } = await requireUser('campaigns');
  const { id } = await params;
  if (!/^\d{1,18}$/.test(id)) notFound();
  const campaign = await orNotFound(findCampaign(scope, id));
  return <CampaignEditor first={jsoned(campaign)} />;
}
