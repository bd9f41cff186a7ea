/**
 * The pulse: carries out whatever is due by the clock, now and then and at once when PostgreSQL says so. The job queue runs
 * on real time and cannot wait for simulated hours, so everything that falls due at an instant of ours lives in tables and is found here.
 */
import { carryOutBroadcasts } from '@/server/broadcasts';
import { carryOutDue, carryOutStarts, payOwed } from '@/server/campaigns';
import { orderDueExports } from '@/server/exports';
import { carryOutWindows } from '@/server/routing';
import { performOutbox } from '../messages/hand-over';
import type { Providers } from './providers';

const DUE_BATCH = 250;
/** A wake waits this long for others, so that a burst of leads is carried out in few batches. */
const GATHER_MS = 40;
/** While leads keep coming, each round takes what came within this time: a round costs nearly as much for one as for twenty. */
const BREATH_MS = 300;

/** One round of what is due by now: exports that come back, windows of offers, campaigns that begin, enrollments, then what they put into the outbox. @returns how many rows were moved */
export const carryOutRound = async (processId: string, outside: Providers): Promise<number> =>
  (await orderDueExports()) +
  (await carryOutWindows()) +
  (await carryOutStarts()) +
  (await payOwed()) +
  (await carryOutBroadcasts()) +
  (await carryOutDue(DUE_BATCH)) +
  (await performOutbox(processId, outside));

/** Rounds until nothing is due. @returns how many rows were moved */
export async function carryOutAll(processId: string, outside: Providers): Promise<number> {
  let moved = 0;
  for (;;) {
    const now = await carryOutRound(processId, outside);
    if (now === 0) return moved;
    moved += now;
  }
}

/** Runs rounds again and again until `stop`: at once after one that was full, after a breath when it moved few, and otherwise when it is woken or now and then. A failure is logged and the pulse goes on. */
export function startPulse(
  round: () => Promise<number>,
  everyMs: number,
  log: (message: string, error: unknown) => void,
): { wake: () => void; stop: () => Promise<void> } {
  let stopped = false;
  let woken = false;
  let rouse = () => {};
  const loop = async () => {
    while (!stopped) {
      woken = false;
      let moved = 0;
      try {
        moved = await round();
      } catch (error) {
        log('the pulse missed a beat', error);
        await new Promise((resolve) => setTimeout(resolve, 300));
      }
      if (stopped || moved >= DUE_BATCH) continue;
      if (moved > 0) {
        await new Promise((resolve) => setTimeout(resolve, BREATH_MS));
        continue;
      }
      if (woken) continue;
      await new Promise<void>((resolve) => {
        const timer = setTimeout(resolve, everyMs);
        rouse = () => {
          clearTimeout(timer);
          resolve();
        };
      });
    }
  };
  const running = loop();
  let gathering: ReturnType<typeof setTimeout> | undefined;
  const wake = () => {
    gathering ??= setTimeout(() => {
      gathering = undefined;
      woken = true;
      rouse();
    }, GATHER_MS);
  };
  return {
    wake,
    stop: () => {
      stopped = true;
      clearTimeout(gathering);
      rouse();
      return running;
    },
  };
}
