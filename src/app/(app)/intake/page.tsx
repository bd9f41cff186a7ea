/** Intake. */
import type { Metadata } from 'next';
import { runsTheOffice } from '@/core/accounts';
import { jsoned, requireUser } from '@/app/_http/page';
import { listDoors } from '@/server/capture';
import { now } from '@/server/shared';
import { IntakeArea } from '@/ui/capture';

export const metadata: Metadata = { title: 'Intake' };

export default async function Page() {
  const { scope, user } = await requireUser('intake');
  return <IntakeArea doors={jsoned(await listDoors(scope, await now()))} office={runsTheOffice(user.role)} />;
}
