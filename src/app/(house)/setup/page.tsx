/** Setup. */
import type { Metadata } from 'next';
import { jsoned, requirePerson } from '@/app/_http/page';
import { settingsView } from '@/core/accounts';
import { listUsers, readSettings } from '@/server/accounts';
import { SetupArea } from '@/ui/setup';

export const metadata: Metadata = { title: 'Setup' };

export default async function Page() {
  const { scope } = await requirePerson('setup');
  const [settings, people] = await Promise.all([readSettings(scope.accountId), listUsers(scope)]);
  return <SetupArea settings={settingsView(settings)} people={jsoned(people)} />;
}
