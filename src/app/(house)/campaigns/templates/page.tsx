/** Templates. */
import type { Metadata } from 'next';
import { jsoned, requirePerson } from '@/app/_http/page';
import { runsTheOffice } from '@/core/accounts';
import { listTemplates } from '@/server/templates';
import { TemplatesArea, type Template } from '@/ui/templates';

export const metadata: Metadata = { title: 'Templates' };

export default async function Page() {
  const { scope, person } = await requirePerson('campaigns');
  return <TemplatesArea first={jsoned(await listTemplates(scope)) as Template[]} office={runsTheOffice(person.role)} />;
}
