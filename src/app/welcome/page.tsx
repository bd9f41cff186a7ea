/** A brokerage is founded with a one-time code. */
import type { Metadata } from 'next';
import { foundingState } from '@/server/founding';
import { Welcome, WelcomeClosed } from '@/ui/accounts';
import { foundAction } from './actions';

export const metadata: Metadata = { title: 'Set up your brokerage', robots: { index: false } };
export const dynamic = 'force-dynamic';

export default async function Page() {
  const { open, founded } = await foundingState();
  return open ? <Welcome action={foundAction} /> : <WelcomeClosed founded={founded} />;
}
