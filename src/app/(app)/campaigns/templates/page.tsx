/** Templates. */
import type { Metadata } from 'next';
import { jsoned, requireUser } from '@/app/_http/page';
import { runsTheOffice } from '@/core/accounts';
import { listTemplates } from '@/server/templates';
import { TemplatesArea } from '@/ui/templates';

export const metadata: Metadata = { title: 'Templates' };

export default async function Page() {
  const { scope, user } = await requireUser('campaigns');
  return <TemplatesArea first={jsoned(await listTemplates(scope))} office={runsTheOffice(user.role)} />;
}
