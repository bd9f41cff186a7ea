/** The front door: to the first area of whoever is logged in. */
import { redirect } from 'next/navigation';
import { homeOf } from '@/core/accounts';
import { currentPerson } from './_http/principal';

export default async function Front() {
  const person = await currentPerson();
  redirect(person ? homeOf(person.role) : '/login');
}
