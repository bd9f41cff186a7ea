/** What pages behind the login begin with: the person and their scope; and plain JSON for what goes to client components. */
import { notFound, redirect } from 'next/navigation';
import { AppError, type Jsoned } from '@/core/shared';
import { areasFor, runsTheOffice, scopeFor, type Area, type User, type Scope } from '@/core/accounts';
import { currentUser } from './principal';

/** The person who is logged in; otherwise to the login. With an area, only those who have it on their Wire. */
export async function requireUser(area?: Area['key'] | 'setup'): Promise<{ user: User; scope: Scope }> {
  const user = await currentUser();
  if (!user) redirect('/login');
  if (user.needsSecondStep) redirect('/two-step');
  const allowed = !area || (area === 'setup' ? runsTheOffice(user.role) : areasFor(user).some(({ key }) => key === area));
  if (!allowed) notFound();
  return { user, scope: scopeFor({ kind: 'user', user }) };
}

/** Instants as text, as the API would send them. */
export const jsoned = <T>(value: T): Jsoned<T> => JSON.parse(JSON.stringify(value)) as Jsoned<T>;

/** Runs a look-up; what is not there, or may not be seen, is the not-found page. */
export async function orNotFound<T>(work: Promise<T>): Promise<T> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof AppError && error.code === 'not_found') notFound();
    throw error;
  }
}
