/** Results. */
import type { Metadata } from 'next';
import { jsoned, requireUser } from '@/app/_http/page';
import { readSettings } from '@/server/accounts';
import { readResults } from '@/server/results';
import { now } from '@/server/shared';
import { ResultsArea } from '@/ui/results';

export const metadata: Metadata = { title: 'Results' };
const DAYS = 30;

export default async function Page() {
  const { scope } = await requireUser('results');
  const to = await now();
  const { conversationSeconds } = await readSettings(scope.accountId);
  const rows = await readResults(scope, { from: new Date(to.getTime() - DAYS * 86_400_000), to, conversationSeconds });
  return (
    <ResultsArea first={jsoned({ conversation_seconds: conversationSeconds, rows })} days={DAYS} mine={scope.sees === 'own'} />
  );
}
