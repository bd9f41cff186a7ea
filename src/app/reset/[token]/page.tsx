/** A new password by a link that was mailed. */
import type { Metadata } from 'next';
import { findReset } from '@/server/accounts';
import { Reset, ResetEnded } from '@/ui/accounts';
import { resetPasswordAction } from './actions';

export const metadata: Metadata = { title: 'Choose a new password', robots: { index: false } };

export default async function Page({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const user = await findReset(token);
  return user ? <Reset action={resetPasswordAction.bind(null, token)} email={user.email} /> : <ResetEnded />;
}
