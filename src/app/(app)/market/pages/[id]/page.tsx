/** One public page, to change it. */
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { runsTheOffice } from '@/core/accounts';
import { readPage } from '@/server/pages';
import { jsoned, orNotFound, requireUser } from '@/app/_http/page';
import { PageEditor } from '@/ui/pages';

export const metadata: Metadata = { title: 'Public page' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { user } = await requireUser('market');
  const { id } = await params;
  if (!runsTheOffice(user.role) || !/^\d{1,18}$/.test(id)) notFound();
  return <PageEditor first={jsoned(await orNotFound(readPage({ kind: 'user', user }, id)))} />;
}
