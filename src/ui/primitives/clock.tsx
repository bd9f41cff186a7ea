'use client';
/** The time by Urraca's clock, which may be simulated or stand still; ticking once a second for timers. */
import { createContext, useContext, useEffect, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import { localDay } from '@/core/shared';
import type { Format } from '@/core/format';

interface ClockContext {
  now: string;
  zone: string;
}
const Context = createContext<ClockContext>({ now: '1970-01-01T00:00:00Z', zone: 'UTC' });

/** The ticking itself, outside React: an instant heard from the server and how long ago that was. */
const ticker = (() => {
  let base = { at: 0, held: true, heard: 0 };
  let shown = 0;
  let timer: ReturnType<typeof setInterval> | undefined;
  const hearers = new Set<() => void>();
  const tick = () => {
    shown = base.held ? base.at : base.at + (performance.now() - base.heard);
    hearers.forEach((hear) => hear());
  };
  return {
    set(now: string, held: boolean): void {
      base = { at: Date.parse(now), held, heard: performance.now() };
      tick();
    },
    subscribe: (hear: () => void): (() => void) => {
      hearers.add(hear);
      timer ??= setInterval(tick, 1_000);
      return () => {
        hearers.delete(hear);
        if (hearers.size) return;
        clearInterval(timer);
        timer = undefined;
      };
    },
    read: () => shown,
  };
})();

export function ClockProvider({ now, held, zone, children }: { now: string; held: boolean; zone: string; children: ReactNode }) {
  useEffect(() => ticker.set(now, held), [now, held]);
  const value = useMemo(() => ({ now, zone }), [now, zone]);
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

/** Now; renders again every second. */
export function useNow(): Date {
  const { now } = useContext(Context);
  const ticked = useSyncExternalStore(ticker.subscribe, ticker.read, () => 0);
  return new Date(ticked || Date.parse(now));
}

export const useZone = (): string => useContext(Context).zone;

/** A day or an hour to come: `2:30 PM` today, `Tue, Nov 24` later. */
export function when(at: Date, now: Date, zone: string, format: Format): string {
  const today = localDay(now, zone);
  if (at >= today.start && at <= today.end) return format.time(at, zone);
  return format.weekday(at, zone);
}
