/** One section of Setup. */
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { jsoned, requireUser } from '@/app/_http/page';
import { settingsView } from '@/core/accounts';
import { listUsers, readSettings } from '@/server/accounts';
import { isSetupSection, SetupArea } from '@/ui/setup';

export const metadata: Metadata = { title: 'Setup' };

export default async function Page({ params }: { params: Promise<{ section: string }> }) {
  const { scope, user } = await requireUser('setup');
  const { section } = await params;
  if (!isSetupSection(section)) notFound();
  const [settings, users] = await Promise.all([readSettings(scope.accountId), listUsers(scope)]);
  return (
    <SetupArea me={{ id: user.id, role: user.role }} section={section} settings={settingsView(settings)} users={jsoned(users)} />
  );
}
