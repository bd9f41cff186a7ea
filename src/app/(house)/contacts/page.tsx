/** Contacts. */
import type { Metadata } from 'next';
import { runsTheOffice } from '@/core/accounts';
import { requirePerson } from '@/app/_http/page';
import { listUsers } from '@/server/accounts';
import { ContactsArea } from '@/ui/contacts';

export const metadata: Metadata = { title: 'Contacts' };

export default async function Page() {
  const { person, scope } = await requirePerson('contacts');
  const people = (await listUsers(scope)).map(({ id, name }) => ({ id, name }));
  return <ContactsArea readOnly={person.role === 'lender'} office={runsTheOffice(person.role)} people={people} />;
}
