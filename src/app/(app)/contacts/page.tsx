/** Contacts. */
import type { Metadata } from 'next';
import { runsTheOffice } from '@/core/accounts';
import { requireUser } from '@/app/_http/page';
import { listUsers } from '@/server/accounts';
import { ContactsArea } from '@/ui/contacts';

export const metadata: Metadata = { title: 'Contacts' };

export default async function Page() {
  const { user, scope } = await requireUser('contacts');
  const users = (await listUsers(scope)).map(({ id, name }) => ({ id, name }));
  return <ContactsArea readOnly={user.role === 'lender'} office={runsTheOffice(user.role)} users={users} />;
}
