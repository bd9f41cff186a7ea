/** The login. */
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { currentUser, passkeySite } from '@/app/_http/principal';
import { config } from '@/server/shared';
import { Login } from '@/ui/accounts';
import { beginPasskeyAction, endPasskeyAction, logInAction } from './actions';

export const metadata: Metadata = { title: 'Log in' };

const DEMO_LOGINS = [
  { email: 'admin@urraca.example', who: 'Ines Kolar, runs the office' },
  { email: 'agent1@urraca.example', who: 'Asta Lund, agent' },
  { email: 'agent2@urraca.example', who: 'Jory Pell, agent' },
  { email: 'caller@urraca.example', who: 'Cato Wray, caller' },
  { email: 'lender@urraca.example', who: 'Hollis Brandt, lender' },
];

export default async function Page({ searchParams }: { searchParams: Promise<{ reset?: string }> }) {
  if (await currentUser()) redirect('/');
  const { reset } = await searchParams;
  const passkey = passkeySite(await headers()) && { begin: beginPasskeyAction, end: endPasskeyAction };
  return (
    <Login action={logInAction} logins={config().demo ? DEMO_LOGINS : null} passkey={passkey} isReset={reset !== undefined} />
  );
}
