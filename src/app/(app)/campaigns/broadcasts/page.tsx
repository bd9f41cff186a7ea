/** Broadcasts. */
import type { Metadata } from 'next';
import { jsoned, requireUser } from '@/app/_http/page';
import { listBroadcasts } from '@/server/broadcasts';
import { BroadcastsArea } from '@/ui/broadcasts';

export const metadata: Metadata = { title: 'Broadcasts' };

export default async function Page() {
  const { scope } = await requireUser('campaigns');
  return <BroadcastsArea first={jsoned(await listBroadcasts(scope))} />;
}
