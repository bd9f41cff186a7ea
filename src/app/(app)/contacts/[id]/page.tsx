/** One contact as a page. */
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { orNotFound, requireUser } from '@/app/_http/page';
import { findContact } from '@/server/contacts';
import { DossierPage } from '@/ui/contacts';

export const metadata: Metadata = { title: 'Contact' };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { user, scope } = await requireUser('contacts');
  const { id } = await params;
  if (!/^\d{1,18}$/.test(id)) notFound();
  await orNotFound(findContact(scope, id));
  return <DossierPage contactId={id} readOnly={user.role === 'lender'} />;
}
