/** Accepting an invitation to work here. */
import type { Metadata } from 'next';
import { findInvitation } from '@/server/accounts';
import { Join, JoinEnded } from '@/ui/accounts';
import { joinAction } from './actions';

export const metadata: Metadata = { title: 'Join', robots: { index: false } };

export default async function Page({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const invited = await findInvitation(token);
  return invited ? <Join action={joinAction.bind(null, token)} invited={invited} /> : <JoinEnded />;
}
