/** Today: the frame at once, whom to contact as soon as it is read. */
import { Suspense } from 'react';
import type { Metadata } from 'next';
import { runsTheOffice, type Scope, type User } from '@/core/accounts';
import { jsoned, requireUser } from '@/app/_http/page';
import { liveCallOf } from '@/server/calling';
import { readStart } from '@/server/founding';
import { readToday } from '@/server/today';
import { TodayArea, TodaySkeleton } from '@/ui/today';

export const metadata: Metadata = { title: 'Today' };

export default async function Page() {
  const { user, scope } = await requireUser('today');
  return (
    <Suspense fallback={<TodaySkeleton />}>
      <Read user={user} scope={scope} />
    </Suspense>
  );
}

/** Whether the brokerage has first steps to go that this person can do. */
const isSettingUp = async (user: User, scope: Scope): Promise<boolean> =>
  runsTheOffice(user.role) && (await readStart(scope)).steps.some(({ state }) => state === 'open');

async function Read({ user, scope }: { user: User; scope: Scope }) {
  const [today, call] = await Promise.all([readToday(scope, user), liveCallOf(user.id)]);
  return (
    <TodayArea
      first={jsoned({ ...today, call })}
      mine={scope.sees === 'own'}
      settingUp={!today.total && (await isSettingUp(user, scope))}
    />
  );
}
