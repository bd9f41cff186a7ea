/** The public pages. */
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { runsTheOffice } from '@/core/accounts';
import { requireUser } from '@/app/_http/page';
import { PagesList } from '@/ui/pages';

export const metadata: Metadata = { title: 'Public pages' };

export default async function Page() {
  const { user } = await requireUser('market');
  if (!runsTheOffice(user.role)) notFound();
  return <PagesList />;
}
