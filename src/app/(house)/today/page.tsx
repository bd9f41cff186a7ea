/** Today. */
import type { Metadata } from 'next';
import { jsoned, requirePerson } from '@/app/_http/page';
import { liveCallOf } from '@/server/calling';
import { readToday } from '@/server/today';
import { TodayArea } from '@/ui/today';

export const metadata: Metadata = { title: 'Today' };

export default async function Page() {
  const { person, scope } = await requirePerson('today');
  const [today, call] = await Promise.all([readToday(scope, person), liveCallOf(person.id)]);
  return <TodayArea first={jsoned({ ...today, call })} mine={scope.sees === 'own'} />;
}
