/** The clock of the simulator, for the demo and for tests: it keeps our time, and says when its people act next. */
export interface SimulatedWorld {
  /** Lets the simulator's clock run beside ours. */
  setClock(clock: { offsetMs: number } | { heldAt: Date }): Promise<void>;
  /** Runs everything its people do up to an instant. @returns how much that was, and when they act next */
  runTo(at: Date): Promise<{ ran: number; next: Date | null }>;
}

export const httpSimulator = (url: string): SimulatedWorld => {
  const call = async (method: string, path: string, body: object): Promise<{ ran?: number; next?: string | null }> => {
    const response = await fetch(`${url}${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(60_000),
    });
    if (!response.ok) throw new Error(`the simulator answered ${response.status}`);
    return (await response.json()) as { ran?: number; next?: string | null };
  };
  return {
    setClock: async (clock) => {
      await call('PUT', '/clock', 'heldAt' in clock ? { held_at: clock.heldAt } : { offset_ms: clock.offsetMs });
    },
    runTo: async (at) => {
      const { ran = 0, next = null } = await call('POST', '/clock/run', { to: at });
      return { ran, next: next ? new Date(next) : null };
    },
  };
};
