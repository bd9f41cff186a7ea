/** Possible duplicates, to merge or to tell apart. */
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { requireUser } from '@/app/_http/page';
import { DuplicatesArea } from '@/ui/duplicates';

export const metadata: Metadata = { title: 'Duplicates' };

export default async function Page() {
  const { user } = await requireUser('contacts');
  if (user.role === 'lender') notFound();
  return <DuplicatesArea />;
}
