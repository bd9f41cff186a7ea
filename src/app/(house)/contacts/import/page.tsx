/** Bringing a file in. */
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { requirePerson } from '@/app/_http/page';
import { runsTheOffice } from '@/core/accounts';
import { listUsers } from '@/server/accounts';
import { ImportArea } from '@/ui/imports';

export const metadata: Metadata = { title: 'Bring a file in' };

export default async function Page() {
  const { person, scope } = await requirePerson('contacts');
  if (person.role === 'lender') notFound();
  const people = (await listUsers(scope)).filter(({ role }) => role !== 'lender').map(({ id, name }) => ({ id, name }));
  return <ImportArea people={people} office={runsTheOffice(person.role)} />;
}
