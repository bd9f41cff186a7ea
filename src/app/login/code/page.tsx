/** The second step of the login. */
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import { cookieValue, passkeySite } from '@/app/_http/principal';
import { personAtSecondStep } from '@/server/accounts';
import { LoginCode } from '@/ui/accounts';
import { beginPasskeyAction, codeAction, endPasskeyAction } from '../actions';

export const metadata: Metadata = { title: 'Two-step login' };

export default async function Page() {
  const token = await cookieValue('urraca_step');
  const user = token && (await personAtSecondStep(token));
  if (!user) redirect('/login');
  const passkey = passkeySite(await headers()) && { begin: beginPasskeyAction, end: endPasskeyAction };
  return <LoginCode action={codeAction} passkey={passkey} />;
}
