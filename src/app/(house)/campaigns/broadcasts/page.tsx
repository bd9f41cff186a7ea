/** Broadcasts. */
import type { Metadata } from 'next';
import { jsoned, requirePerson } from '@/app/_http/page';
import { listBroadcasts } from '@/server/broadcasts';
import { BroadcastsArea, type Broadcast } from '@/ui/broadcasts';

export const metadata: Metadata = { title: 'Broadcasts' };

export default async function Page() {
  const { scope } = await requirePerson('campaigns');
  return <BroadcastsArea first={jsoned(await listBroadcasts(scope)) as Broadcast[]} />;
}
