/** Setup. */
import type { Metadata } from 'next';
import { jsoned, requireUser } from '@/app/_http/page';
import { settingsView } from '@/core/accounts';
import { listUsers, readSettings } from '@/server/accounts';
import { SetupArea } from '@/ui/setup';

export const metadata: Metadata = { title: 'Setup' };

export default async function Page() {
  const { scope } = await requireUser('setup');
  const [settings, users] = await Promise.all([readSettings(scope.accountId), listUsers(scope)]);
  return <SetupArea settings={settingsView(settings)} users={jsoned(users)} />;
}
