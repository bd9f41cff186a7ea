/** The letters of a broadcast as one file for a printer here, or the labels of their addresses. */
import { savePrint, lettersToPrint } from '@/server/broadcasts';
import { renderLabels, renderLetters } from '../messages/letter';

export async function printBroadcast(broadcastId: string, what: 'letters' | 'labels'): Promise<void> {
  const batch = await lettersToPrint(broadcastId);
  if (!batch?.letters.length) return;
  const { name, brokerage, at, letters } = batch;
  const bytes =
    what === 'letters'
      ? await renderLetters(letters, name)
      : await renderLabels(letters, { title: `Labels for ${name}`, author: brokerage, at });
  await savePrint(broadcastId, what, `${what} ${name}.pdf`, bytes);
}
