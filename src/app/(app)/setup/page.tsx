/** Setup begins with its first section. */
import { redirect } from 'next/navigation';
import { requireUser } from '@/app/_http/page';

export default async function Page() {
  await requireUser('setup');
  redirect('/setup/start');
}
