'use client';
/** The time by Urraca's clock, which may be simulated or stand still; ticking once a second for timers. */
import { createContext, useContext, useEffect, useMemo, useState, useSyncExternalStore, type ReactNode } from 'react';
import { dayAndTime, DAY, howLong, shortDay, clockTime, localDay } from '@/core/shared';

interface Base {
  at: number;
  held: boolean;
  heard: number;
}
interface ClockContext {
  base: Base;
  zone: string;
}
const Context = createContext<ClockContext>({ base: { at: 0, held: false, heard: 0 }, zone: 'UTC' });

const beats = new Set<() => void>();
let timer: ReturnType<typeof setInterval> | undefined;
let beatCount = 0;
const onBeat = (hear: () => void) => {
  beats.add(hear);
  timer ??= setInterval(() => {
    beatCount += 1;
    beats.forEach((beat) => beat());
  }, 1_000);
  return () => {
    beats.delete(hear);
    if (!beats.size) {
      clearInterval(timer);
      timer = undefined;
    }
  };
};

export function ClockProvider({ now, held, zone, children }: { now: string; held: boolean; zone: string; children: ReactNode }) {
  const [base, setBase] = useState<Base>({ at: Date.parse(now), held, heard: 0 });
  useEffect(() => setBase({ at: Date.parse(now), held, heard: performance.now() }), [now, held]);
  const value = useMemo(() => ({ base, zone }), [base, zone]);
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

/** Now; renders again every second. */
export function useNow(): Date {
  const { base } = useContext(Context);
  useSyncExternalStore(
    onBeat,
    () => beatCount,
    () => 0,
  );
  return new Date(base.held || !base.heard ? base.at : base.at + (performance.now() - base.heard));
}

export const useZone = (): string => useContext(Context).zone;

/** How long ago, relative up to a day, then the date; with the full time as its title. */
export function Ago({ at, late }: { at: string | Date; late?: boolean }) {
  const now = useNow();
  const zone = useZone();
  const then = new Date(at);
  const gone = now.getTime() - then.getTime();
  const text = gone < 0 ? when(then, now, zone) : gone < DAY ? howLong(gone) : shortDay(then, zone);
  return (
    <time dateTime={then.toISOString()} title={dayAndTime(then, zone)} className={`small nowrap ${late ? 'late' : 'soft'}`} suppressHydrationWarning>
      {text}
    </time>
  );
}

/** A day or an hour to come: `14:30` today, `Tue 24 Nov` later. */
export function when(at: Date, now: Date, zone: string): string {
  const today = localDay(now, zone);
  if (at >= today.start && at <= today.end) return clockTime(at, zone);
  return dayAndTime(at, zone).replace(/, .*/, '');
}

/** A timer that counts up as `1:12`, then minutes, then hours. */
export function Timer({ since }: { since: string | Date }) {
  const gone = Math.max(0, useNow().getTime() - new Date(since).getTime());
  const seconds = Math.floor(gone / 1000);
  const text = seconds < 3600 ? `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}` : howLong(gone);
  return (
    <span className="late small nowrap" suppressHydrationWarning>
      {text}
    </span>
  );
}
