'use client';
/** Times that go on while one looks: how long ago, how long left, how long since. */
import { DAY, howLong } from '@/core/shared';
import { useFormat, useNow, useZone, when } from '../primitives';
import { Text } from './layout';

/** How long ago, relative up to a day, then the date; with the full time as its title. */
export function Ago({ at, late }: { at: string | Date; late?: boolean }) {
  const now = useNow();
  const zone = useZone();
  const format = useFormat();
  const then = new Date(at);
  const gone = now.getTime() - then.getTime();
  const text = gone < 0 ? when(then, now, zone, format) : gone < DAY ? `${howLong(gone)} ago` : format.shortDay(then, zone);
  return (
    <Text
      as="time"
      small
      nowrap
      tone={late ? 'late' : 'soft'}
      dateTime={then.toISOString()}
      title={format.dayAndTime(then, zone)}
      suppressHydrationWarning
    >
      {text}
    </Text>
  );
}

/** What is left until an instant, counting down as `4:59`. */
export function Left({ until }: { until: string | Date }) {
  const left = Math.max(0, new Date(until).getTime() - useNow().getTime());
  const seconds = Math.ceil(left / 1000);
  const text = seconds < 3600 ? `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}` : howLong(left);
  return (
    <Text
      role="timer"
      aria-live="off"
      strong
      nowrap
      tone={seconds < 60 ? 'late' : undefined}
      title="Time left"
      suppressHydrationWarning
    >
      {text}
    </Text>
  );
}

/** A timer that counts up as `1:12`, then minutes, then hours. */
export function Timer({ since }: { since: string | Date }) {
  const gone = Math.max(0, useNow().getTime() - new Date(since).getTime());
  const seconds = Math.floor(gone / 1000);
  const text = seconds < 3600 ? `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}` : howLong(gone);
  return (
    <Text tone="late" small nowrap suppressHydrationWarning>
      {text}
    </Text>
  );
}
