/** Bringing a file in. */
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { requireUser } from '@/app/_http/page';
import { runsTheOffice } from '@/core/accounts';
import { listUsers } from '@/server/accounts';
import { ImportArea } from '@/ui/imports';

export const metadata: Metadata = { title: 'Import a file' };

export default async function Page() {
  const { user, scope } = await requireUser('contacts');
  if (user.role === 'lender') notFound();
  const users = (await listUsers(scope)).filter(({ role }) => role !== 'lender').map(({ id, name }) => ({ id, name }));
  return <ImportArea users={users} office={runsTheOffice(user.role)} />;
}
