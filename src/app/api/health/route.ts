/** Health: each process and its state; 503 when one is down. No key needed, so it tells no more than up or down. */
import { config, reader, readProcesses } from '@/server/shared';

const STARTED = performance.now();

export async function GET(): Promise<Response> {
  let database: 'up' | 'down' = 'down';
  let worker: 'up' | 'down' = 'down';
  try {
    await reader().first('select 1 as one');
    database = 'up';
    worker = (await readProcesses()).some(({ kind, alive }) => kind === 'worker' && alive > 0) ? 'up' : 'down';
  } catch {
    /* down is what it says */
  }
  const simulator = await outsideState();
  const processes = {
    web: { state: 'up', seconds: Math.round((performance.now() - STARTED) / 1000) },
    worker: { state: worker },
    postgresql: { state: database },
    ...(simulator ? { simulator: { state: simulator } } : {}),
  };
  const healthy = Object.values(processes).every(({ state }) => state === 'up');
  return Response.json(
    { status: healthy ? 'up' : 'down', processes },
    { status: healthy ? 200 : 503, headers: { 'cache-control': 'no-store' } },
  );
}

/** The simulator is one of our processes only in the demo and in tests. */
async function outsideState(): Promise<'up' | 'down' | null> {
  const { simulatorUrl: url } = config();
  if (!url) return null;
  const answer = await fetch(`${url}/health`, { signal: AbortSignal.timeout(1_000) }).catch(() => null);
  return answer?.ok ? 'up' : 'down';
}
