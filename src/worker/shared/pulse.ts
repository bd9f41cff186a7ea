/**
 * The pulse: carries out whatever is due by the clock, now and then and at once when PostgreSQL says so. The job queue runs
 * on real time and cannot wait for simulated hours, so everything that falls due at an instant of ours lives in tables and is found here.
 */
import { carryOutDue } from '@/server/campaigns';
import { orderDueExports } from '@/server/exports';
import { carryOutWindows } from '@/server/routing';
import { performOutbox } from '../messages/hand-over';
import type { Outside } from './outside';

const DUE_BATCH = 250;
/** A wake waits this long for others, so that a burst of leads is carried out in few batches. */
const GATHER_MS = 40;

/** Everything due by now: exports that come back, windows of offers, enrolments, then what they put into the outbox. @returns how many rows were moved */
export async function carryOutAll(processId: string, outside: Outside, going: () => boolean = () => true): Promise<number> {
  let moved = await orderDueExports();
  while (going()) {
    const due = (await carryOutWindows()) + (await carryOutDue(DUE_BATCH));
    const sent = await performOutbox(processId, outside);
    moved += due + sent;
    if (due + sent === 0) return moved;
  }
  return moved;
}

/** Runs the work again and again until `stop`; `wake` makes it run at once. A failure is logged and the pulse goes on. */
export function startPulse(
  work: () => Promise<unknown>,
  everyMs: number,
  log: (message: string, error: unknown) => void,
): { wake: () => void; stop: () => Promise<void> } {
  let stopped = false;
  let woken = false;
  let rouse = () => {};
  const loop = async () => {
    while (!stopped) {
      woken = false;
      try {
        await work();
      } catch (error) {
        log('the pulse missed a beat', error);
        await new Promise((resolve) => setTimeout(resolve, 300));
      }
      if (stopped || woken) continue;
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
