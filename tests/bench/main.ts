/** The part of the bench that runs our own code in a process of its own: two of these carry out due touches side by side, as two workers do. */
import { carryOutDue } from '@/server/campaigns';
import { closeDb } from '@/server/shared';

const BATCH = 250;

let carried = 0;
process.send?.('ready');
process.once('message', () => {
  void (async () => {
    for (let moved = await carryOutDue(BATCH); moved > 0; moved = await carryOutDue(BATCH)) carried += moved;
    process.send?.(carried);
    await closeDb();
    process.disconnect();
  })();
});
