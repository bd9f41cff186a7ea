/** The front door: to the first area of whoever is logged in. */
import { redirect } from 'next/navigation';
import { homeOf } from '@/core/accounts';
import { currentUser } from './_http/principal';

export default async function Front() {
  const user = await currentUser();
  redirect(user ? homeOf(user.role) : '/login');
}
