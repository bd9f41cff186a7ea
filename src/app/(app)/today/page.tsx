/** Today. */
import type { Metadata } from 'next';
import { jsoned, requireUser } from '@/app/_http/page';
import { liveCallOf } from '@/server/calling';
import { readToday } from '@/server/today';
import { TodayArea } from '@/ui/today';

export const metadata: Metadata = { title: 'Today' };

export default async function Page() {
  const { user, scope } = await requireUser('today');
  const [today, call] = await Promise.all([readToday(scope, user), liveCallOf(user.id)]);
  return <TodayArea first={jsoned({ ...today, call })} mine={scope.sees === 'own'} />;
}
