/** The front door: to the first area of whoever is logged in, or to where a brokerage begins. */
import { redirect } from 'next/navigation';
import { homeOf } from '@/core/accounts';
import { foundingState } from '@/server/founding';
import { currentUser } from './_http/principal';

export default async function Front() {
  const user = await currentUser();
  if (user) redirect(homeOf(user.role));
  redirect((await foundingState()).founded ? '/login' : '/welcome');
}
