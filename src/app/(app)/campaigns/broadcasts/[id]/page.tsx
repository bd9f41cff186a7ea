/** One broadcast. */
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { jsoned, orNotFound, requireUser } from '@/app/_http/page';
import { findBroadcast } from '@/server/broadcasts';
import { BroadcastDesk } from '@/ui/broadcasts';

export const metadata: Metadata = { title: 'Broadcast' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { scope } = await requireUser('campaigns');
  const { id } = await params;
  if (!/^\d{1,18}$/.test(id)) notFound();
  return <BroadcastDesk first={jsoned(await orNotFound(findBroadcast(scope, id)))} />;
}
