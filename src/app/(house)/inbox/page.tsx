/** The inbox. */
import type { Metadata } from 'next';
import { requirePerson } from '@/app/_http/page';
import { InboxArea } from '@/ui/inbox';

export const metadata: Metadata = { title: 'Inbox' };

export default async function Page() {
  await requirePerson('inbox');
  return <InboxArea />;
}
