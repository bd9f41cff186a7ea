/**
 * Letting simulated time pass: from event to event, each at its own instant. The clock is held at an instant until nothing
 * due there is left, here or with the simulated people, and only then moves to the next; so two runs from the same state
 * do the same things in the same order.
 */
import { nextDue, nextStart } from '@/server/campaigns';
import { nextOutbox, outboxInFlight } from '@/server/messages';
import { nextWindow } from '@/server/routing';
import { holdClock, now, reader, releaseClock } from '@/server/shared';
import { beginAdvance, endAdvance, reportAdvance } from '@/server/simulation';
import type { Providers } from '../shared/providers';
import { carryOutAll } from '../shared/pulse';

const REPORT_EVERY_MS = 250;

/** Performs one requested advance; called again for the same one after a crash, it goes on from where the clock is held. */
export async function performAdvance(id: string, processId: string, outside: Providers): Promise<void> {
  const advance = await beginAdvance(id);
  if (!advance) return;
  let at = await now();
  let passed = 0;
  try {
    let goal = advance.goal;
    let reported = Date.now();
    let next = await settle(at, processId, outside);
    goal ??= next ?? at;
    while (next && next <= goal) {
      at = next > at ? next : at;
      passed += 1;
      next = await settle(at, processId, outside);
      if (Date.now() - reported > REPORT_EVERY_MS) {
        await reportAdvance(id, at, passed);
        reported = Date.now();
      }
    }
    at = goal > at ? goal : at;
    await letRun(at, outside);
    await endAdvance(id, at, passed, null);
  } catch (error) {
    await letRun(at, outside).catch(() => {});
    await endAdvance(id, at, passed, error instanceof Error ? error.message : 'failed').catch(() => {});
    throw error;
  }
}

/** Holds every clock at an instant and does all that is due there. @returns the next instant at which something is due */
async function settle(at: Date, processId: string, outside: Providers): Promise<Date | null> {
  await holdClock(reader(), at);
  let world = { ran: 0, next: null as Date | null };
  for (;;) {
    if (outside.simulator) world = await outside.simulator.runTo(at);
    const moved = await carryOutAll(processId, outside);
    if (moved + world.ran === 0 && !(await outboxInFlight(at))) break;
  }
  const known = [
    await nextDue(reader()),
    await nextStart(reader()),
    await nextOutbox(reader()),
    await nextWindow(),
    world.next,
  ].filter((one): one is Date => one !== null && one > at);
  return known.length ? new Date(Math.min(...known.map((one) => one.getTime()))) : null;
}

async function letRun(at: Date, outside: Providers): Promise<void> {
  await releaseClock(reader(), at);
  await outside.simulator?.setClock({ offsetMs: at.getTime() - Date.now() });
}

/** Keeps the simulator's clock beside ours, so that either may be restarted. */
export async function syncSimulator(outside: Providers): Promise<void> {
  const row = await reader().first<{ offset_ms: string; held_at: Date | null }>('select offset_ms, held_at from clock');
  if (!row || row.held_at) return;
  await outside.simulator?.setClock({ offsetMs: Number(row.offset_ms) });
}
