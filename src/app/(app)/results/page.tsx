/** Results. */
import type { Metadata } from 'next';
import { jsoned, requireUser } from '@/app/_http/page';
import { periodOf } from '@/core/results';
import { DAY } from '@/core/shared';
import { readPreferences, readSettings } from '@/server/accounts';
import { readResults } from '@/server/results';
import { now } from '@/server/shared';
import { ResultsArea } from '@/ui/results';

export const metadata: Metadata = { title: 'Results' };

export default async function Page() {
  const { user, scope } = await requireUser('results');
  const to = await now();
  const [{ conversationSeconds }, { view }] = await Promise.all([readSettings(scope.accountId), readPreferences(user.id)]);
  const days = periodOf((view as { results_days?: number } | undefined)?.results_days);
  const rows = await readResults(scope, { from: new Date(to.getTime() - days * DAY), to, conversationSeconds });
  return (
    <ResultsArea first={jsoned({ conversation_seconds: conversationSeconds, rows })} days={days} mine={scope.sees === 'own'} />
  );
}
