/** Where somebody sets up their second step whose role must have one, before anything else. */
import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { currentUser } from '@/app/_http/principal';
import { readFormat } from '@/server/accounts';
import { TwoStepFirst } from '@/ui/accounts';

export const metadata: Metadata = { title: 'Set up two-step login' };

export default async function Page() {
  const user = await currentUser();
  if (!user) redirect('/login');
  return (
    <TwoStepFirst
      done={!user.needsSecondStep}
      format={await readFormat(user)}
      zone={user.timeZone}
      now={new Date().toISOString()}
    />
  );
}
