/** The inbox. */
import type { Metadata } from 'next';
import { requireUser } from '@/app/_http/page';
import { InboxArea } from '@/ui/inbox';

export const metadata: Metadata = { title: 'Inbox' };

export default async function Page() {
  await requireUser('inbox');
  return <InboxArea />;
}
