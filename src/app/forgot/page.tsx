/** A forgotten password. */
import type { Metadata } from 'next';
import { RESET_MINUTES } from '@/server/accounts';
import { Forgot } from '@/ui/accounts';
import { askForResetAction } from './actions';

export const metadata: Metadata = { title: 'Forgot your password?' };

export default function Page() {
  return <Forgot action={askForResetAction} minutes={RESET_MINUTES} />;
}
