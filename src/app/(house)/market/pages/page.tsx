/** The public pages. */
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { runsTheOffice } from '@/core/accounts';
import { requirePerson } from '@/app/_http/page';
import { PagesList } from '@/ui/pages';

export const metadata: Metadata = { title: 'Public pages' };

export default async function Page() {
  const { person } = await requirePerson('market');
  if (!runsTheOffice(person.role)) notFound();
  return <PagesList />;
}
