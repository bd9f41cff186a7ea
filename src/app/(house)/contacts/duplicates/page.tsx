/** Who stands here twice. */
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { requirePerson } from '@/app/_http/page';
import { DuplicatesArea } from '@/ui/duplicates';

export const metadata: Metadata = { title: 'Duplicates' };

export default async function Page() {
  const { person } = await requirePerson('contacts');
  if (person.role === 'lender') notFound();
  return <DuplicatesArea />;
}
